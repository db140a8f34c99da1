/** Schemes that are a protocol's, not an app's (IANA, URI schemes). */
export const commonSchemes: ReadonlySet<string> = new Set(
  (
    "http https mailto tel sms smsto mms file content data blob about geo market intent ws wss ftp ftps sftp ssh git " +
    "javascript sip sips callto xmpp irc ircs magnet webcal feed news nntp ldap rtsp rtmp mms vnc rdp bitcoin ed2k " +
    "tox gopher gemini matrix stun turn telnet smb nfs dav ipp iax facetime maps podcast rtp rtcp srtp srt udp tcp " +
    "rist mmst mmsh mmshttp httpproxy bd bluray cdda cdrom dvd dvdnav dvb vcd tv radio pulse jack urn tag doi " +
    "google.navigation"
  ).split(" "),
);
