import { longPattern } from "../../../ground/values/long-pattern.ts";

/** A kind of secret, and how it is known. */
export interface SecretKind {
  /** No variant gets it; or it may be one, and is told. */
  level: "stop" | "warn";
  /** What it is, as it goes on behind "holds" or "is". */
  says: string;
  /** Known by its path, in any case. */
  path?: RegExp;
  /** Known by what is in it: bytes as 8-bit text. */
  content?: RegExp;
  /** Without this in it, a text is not searched: the search for what may stand in front of it takes long. */
  holds?: string;
  /** Only where the path is such. */
  within?: RegExp;
  /** But not where the path is such. */
  except?: RegExp;
}

/** A DER sequence's head: its length in one to five bytes (ITU-T X.690). */
const sequence = "^0(?:[\\u0001-\\u007f]|\\u0081.|\\u0082..|\\u0083...|\\u0084....|\\u0080)";
const der = (rest: string): RegExp => new RegExp(`${sequence}${rest}`, "s");

/** A value that is written down, not one that is asked for or made up. */
const written =
  "(?!\\$|%|<|\\{|\\*|@|env\\b|process\\b|System\\.|project\\b|properties\\b|null|true|false|none|" +
  "changeme|change_me|example|your|xxx|placeholder|password|passwd|secret|todo|" +
  "android[\"'\\s])[^\\s\"',;#]{6,}";

/** A line that gives a password, whatever it is called there. */
const password = (value: string): RegExp =>
  new RegExp(
    `^[ \\t]*["']?(?:export\\s+|val\\s+|def\\s+)?[\\w.-]*(?:password|passwd|passphrase|secret|api_?key|` +
      `private_?key|access_?token)[\\w.-]*["']?${value}`,
    "im",
  );

/**
 * What gives whoever has it more than the app: from the formats' own documentation. A debug key store's key is public
 * by convention (Android documentation, "Sign your app"), and keys that push and map files carry are in every app
 * that is handed out.
 */
export const secretKinds: readonly SecretKind[] = [
  // Private keys, by their heads and by their forms.
  { level: "stop", says: "a private key", content: /-----BEGIN (?:[A-Z0-9]+ )*PRIVATE KEY(?: BLOCK)?-----/ },
  {
    level: "stop",
    says: "a private key",
    content: /^PuTTY-User-Key-File-\d|---- BEGIN SSH2 ENCRYPTED PRIVATE KEY ----/m,
  },
  {
    level: "stop",
    says: "a private key",
    content: /AGE-SECRET-KEY-1[0-9A-Z]{20,}|minisign encrypted secret key/,
  },
  {
    level: "stop",
    says: "a private key",
    content: der("\\u0002\\u0001\\u0000(?:0\\r\\u0006|0\\u0013\\u0006|\\u0002\\u0082)"),
  },
  {
    level: "stop",
    says: "a key store",
    content: der("\\u0002\\u0001\\u0003"),
    except: /(^|\/)debug\.(keystore|jks)$/i,
  },
  {
    level: "stop",
    says: "a key store",
    content: /^(?:\u00fe\u00ed\u00fe\u00ed|\u00ce\u00ce\u00ce\u00ce)/,
    except: /(^|\/)debug\.(keystore|jks)$/i,
  },
  {
    level: "stop",
    says: "a key store",
    path: /\.(jks|jceks|bks|keystore|p12|pfx|p8|ppk|snk|pvk|keychain(-db)?|mobileprovision|provisionprofile)$/i,
    except: /(^|\/)debug\.(keystore|jks)$/i,
  },
  { level: "stop", says: "a private key", path: /(^|\/)id_(rsa|dsa|ecdsa|ed25519)(_sk)?$/i },
  // Credentials, as tools keep them.
  {
    level: "stop",
    says: "a folder of credentials",
    path: longPattern("i")`
      (^|\/)(\.ssh|\.gnupg|\.aws|\.azure|\.kube|\.docker|\.gcloud|\.config\/gcloud|\.oci|\.vault
      |\.password-store)\/
    `,
  },
  {
    level: "stop",
    says: "a file of credentials",
    path: longPattern("i")`
      (^|\/)([._]netrc|\.pgpass|\.my\.cnf|\.git-credentials|\.htpasswd|\.pypirc|\.vault[_-](pass
      |token)|master\.key|application_default_credentials\.json)$
    `,
  },
  {
    level: "stop",
    says: "credentials",
    content: /\bclient-key-data:\s*\S{20,}|\$ANSIBLE_VAULT;|\b_authToken\s*=\s*(?!\$)\S{8,}/,
  },
  {
    level: "stop",
    says: "a database of passwords",
    path: /\.(kdbx?|psafe3|agilekeychain|opvault|1pif|1pux)(\/|$)|(^|\/)(logins\.json|key[34]\.db|login data)$/i,
  },
  { level: "stop", says: "a database of passwords", content: /^\p{Cc}Ù¢\p{Cc}|^PWS3/u },
  {
    level: "stop",
    says: "the state of an infrastructure tool",
    path: /(^|\/)(terraform\.tfstate(\..*)?|[^/]*\.tfstate|[^/]*\.tfvars(\.json)?|\.terraform\/.*|\.pulumi\/.*)$/i,
  },
  {
    level: "stop",
    says: "the state of an infrastructure tool",
    content: /"terraform_version"\s*:\s*"[^"]*"[\s\S]*"resources"\s*:/,
  },
  // What may be one.
  {
    level: "warn",
    says: "an environment file",
    path: /(^|\/)(\.env(\.[\w-]+)*|[\w-]+\.env|\.envrc)$/i,
    // Where tools are on the developer's machine (React Native documentation, .xcode.env).
    except: /\.(example|sample|template|dist|defaults?)$|(^|\/)[._]xcode\.env(\.local)?$/i,
  },
  {
    level: "warn",
    says: "a service account",
    content: /"type"\s*:\s*"service_account"|"client_secret"\s*:\s*"[^"]{8,}"/,
  },
  { level: "warn", says: "an access key", content: /\b(?:AKIA|ASIA)[0-9A-Z]{16}\b/ },
  {
    level: "warn",
    says: "an access token",
    content: /\b(?:gh[pousr]_[A-Za-z0-9]{36,}|github_pat_[A-Za-z0-9_]{22,}|glpat-[\w-]{20,})/,
  },
  {
    level: "warn",
    says: "an access token",
    content: /\b(?:xox[abeoprs]-[\w-]{10,}|xapp-\d-[\w-]{10,})|hooks\.slack\.com\/services\/T\w+\/B\w+\/\w+/,
  },
  {
    level: "warn",
    says: "an access token",
    content: /\b(?:sk|rk|whsec)_(?:live_|test_)?[0-9A-Za-z]{20,}|\bsk-(?:ant-|proj-)?[\w-]{24,}/,
  },
  {
    level: "warn",
    says: "an access token",
    content: /\bSG\.[\w-]{20,}\.[\w-]{30,}|\bkey-[0-9a-f]{32}\b|\bnpm_[A-Za-z0-9]{36}\b|\bpypi-[\w-]{40,}/,
  },
  {
    level: "warn",
    says: "an access token",
    content: /\bdop_v1_[a-f0-9]{64}\b|\bshp(?:at|ca|pa|ss)_[a-f0-9]{32}\b|\bhf_[A-Za-z0-9]{30,}\b|\bya29\.[\w-]{20,}/,
  },
  { level: "warn", says: "a push server's key", content: /\bAAAA[\w-]{7}:[\w-]{100,}/ },
  { level: "warn", says: "a signed token", content: /\beyJ[\w-]{10,}\.eyJ[\w-]{10,}\.[\w-]{10,}/ },
  {
    level: "warn",
    says: "an address with a password",
    holds: "://",
    content: longPattern("i")`
      \b[a-z][a-z0-9+.-]*:\/\/(?!(user(name|id)?|login|name):(pass(word|wd)?|pwd|secret|\*+|x+)@)
      [^\s/:@"'<>$]+:[^\s/@"'<>$]{3,}@[\w.-]+
    `,
  },
  {
    level: "warn",
    says: "a password",
    content: password(`[ \\t]*[=: ][ \\t]*["']?${written}`),
    within: /\.(properties|ini|cfg|conf|xcconfig|ya?ml|env)$/i,
  },
  {
    level: "warn",
    says: "a password",
    content: password(`(?:[ \\t]*[=(]|[ \\t])[ \\t]*["']${written}`),
    within: /\.(gradle|kts|toml)$/i,
  },
];
