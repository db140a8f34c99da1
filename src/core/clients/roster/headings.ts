/** Headings that people write above a column, by the brief's field: in English, German, French and Spanish. */
export const headings: Readonly<Record<string, readonly string[]>> = {
  client: ["key", "id", "folder", "code", "client key", "kunde", "kürzel", "clé", "clave", "código"],
  groups: [
    ...["group", "region", "plan", "franchise"],
    ...["gruppe", "gruppen", "région", "groupe", "groupes", "grupo", "grupos", "región"],
  ],
  "app.name": [
    ...["name", "app name", "app", "long name", "title", "store name", "client name", "name of the app"],
    ...["app titel", "titel", "langer name", "kundenname", "name der app"],
    ...["nom", "nom de l application", "nom de l app", "titre", "nom long"],
    ...["nombre", "nombre de la app", "nombre de la aplicación", "título", "nombre largo"],
  ],
  "app.label": [
    ...["label", "short name", "icon name", "icon label", "display name"],
    ...["kurzname", "kurzer name", "anzeigename", "name unter dem symbol"],
    ...["nom court", "nom affiché", "libellé", "nombre corto", "nombre visible", "etiqueta"],
  ],
  owner: [
    ...["company", "legal name", "legal owner", "business", "firm"],
    ...["firma", "inhaber", "inhaberin", "unternehmen", "betrieb", "rechtsträger"],
    ...["société", "entreprise", "raison sociale", "propriétaire", "empresa", "razón social", "propietario"],
  ],
  domain: [
    ...["website", "web", "url", "site", "web site", "web address", "homepage"],
    ...["webseite", "internetseite", "webadresse", "internetadresse", "domäne"],
    ...["site web", "site internet", "adresse web", "domaine", "sitio", "sitio web", "página web", "dominio"],
  ],
  email: [
    ...["e mail", "mail", "contact", "contact e mail", "contact email", "email address", "e mail address"],
    ...["e mail adresse", "kontakt", "courriel", "adresse e mail", "correo", "correo electrónico", "contacto"],
  ],
  locale: ["language", "lang", "sprache", "langue", "idioma", "lengua"],
  version: ["app version", "versión"],
  build: ["build number", "version code", "buildnummer", "numéro de build", "número de compilación"],
  scheme: ["url scheme", "link scheme", "schema", "schéma", "esquema"],
  orientation: ["turning", "screen orientation", "ausrichtung", "orientación"],
  devices: ["device", "geräte", "gerät", "appareils", "appareil", "dispositivos", "dispositivo"],
  "colors.brand": [
    ...["brand", "color", "colour", "brand color", "brand colour", "primary color", "primary colour"],
    ...["main colour", "main color", "farbe", "hauptfarbe", "markenfarbe", "hausfarbe"],
    ...["couleur", "couleur principale", "couleur de la marque", "color principal", "color de marca"],
  ],
  "colors.ground": [
    ...["ground", "background", "icon background", "background color", "background colour", "icon ground"],
    ...["hintergrund", "hintergrundfarbe", "grund", "fond", "couleur de fond", "fondo", "color de fondo"],
  ],
  "colors.start": [
    ...["start", "splash color", "splash colour", "start screen", "startfarbe", "startbild farbe"],
    ...["couleur de démarrage", "color de inicio"],
  ],
  "art.icon": ["icon", "app icon", "icon file", "symbol", "app symbol", "icône", "icono"],
  "art.mark": ["mark", "logo", "logo file", "logodatei", "zeichen", "fichier logo", "logotipo", "archivo de logo"],
  "art.mono": [
    ...["mono", "one colour logo", "one color logo", "einfarbiges logo", "logo einfarbig"],
    ...["logo monochrome", "logo de un color", "logo monocromo"],
  ],
  "art.wide": ["wide logo", "logo with name", "breites logo", "logo mit schriftzug", "logo large", "logo ancho"],
  "art.splash": [
    ...["splash", "start picture", "start screen picture", "startbild", "image de démarrage"],
    ...["écran de démarrage", "imagen de inicio", "pantalla de inicio"],
  ],
  "art.repeat": ["pattern", "tile", "muster", "motif", "patrón", "art.pattern"],
  "identifiers.base": ["identifier", "base identifier", "kennung", "identifiant", "identificador"],
  "identifiers.android": ["application id", "android id", "package name", "paketname", "android kennung"],
  "identifiers.ios": ["bundle identifier", "bundle id", "ios id", "ios kennung"],
  "identifiers.desktop": ["desktop id"],
  "identifiers.windows": ["identity name", "windows id"],
  "identifiers.web": ["manifest id", "web id"],
  "signing.team": ["team", "team id", "apple team", "équipe", "equipo"],
  "signing.profile": ["profile", "provisioning profile", "bereitstellungsprofil", "profil", "perfil"],
  "windows.publisher": ["publisher", "herausgeber", "éditeur", "editor"],
  "windows.publisherName": ["publisher name", "store account", "name des herausgebers", "nom de l éditeur"],
};
