/**
 * Schemes that another service gives each app that it knows: whoever signs in there comes back by them (each service's
 * own documentation for apps).
 */
const given: readonly RegExp[] = [
  /^com\.googleusercontent\.apps\./i,
  /REVERSED_CLIENT_ID/,
  /^fb\d+|^\$\(?\{?FACEBOOK/i,
  /^msauth\b|^msal/i,
  /^(auth0|okta|cognito)\b/i,
  /^twitterkit-|^line3rdp\.|^vk\d+$|^kakao|^tencent|^wx[0-9a-f]{10,}$/i,
];

/** Whether a service gives a scheme: a client's own stands in its console, and nobody here can work it out. */
export const isGiven = (scheme: string): boolean => given.some((each) => each.test(scheme.trim()));

/** An app's own scheme for coming back, by the last word of it. */
const back = /(^|[.-])(oauth2?|oidc|sso|login|signin|sign-in|callback|redirect)$/i;

/** Whether signing in ends with a scheme: it stays, whether or not the app opens by addresses. */
export const isCallback = (scheme: string): boolean => isGiven(scheme) || back.test(scheme.trim());
