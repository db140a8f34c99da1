import type { InstallWords } from "../en/install.ts";

export const french: InstallWords = {
  installTitle: "Installer {name}",
  installIs: "Version {version}, build {build}, pour {system}",
  installFor: "De la part de {agency}, pour essai. Merci de ne pas transmettre ce fichier.",
  installGet: "Obtenir {file}",
  installCode: "Lire cette page sur un autre appareil ? Ce code l'y ouvre.",
  installHow: "Comment l'installer",
  installNew: "Nouveautés",
  installSum: "Somme de contrôle du fichier (SHA-256)",
  apkOpen: "Ouvrez cette page sur le téléphone, obtenez le fichier et ouvrez-le.",
  apkAllow:
    "Si le téléphone refuse d'installer depuis cette source, choisissez Paramètres dans ce message et autorisez ce " +
    "seul programme. Vous pourrez retirer l'autorisation ensuite.",
  apkUnknown: "Si Play Protect ne connaît pas l'app, choisissez Plus de détails, puis installez quand même.",
  apkOther:
    "Si une app déjà présente l'empêche, désinstallez-la d'abord : elle est signée autrement, et ce qu'elle a " +
    "enregistré sera perdu.",
  ipaKnown:
    "Cela fonctionne sur les appareils que {agency} a enregistrés. Si le vôtre est nouveau, envoyez d'abord son " +
    "identifiant (UDID).",
  ipaAir: "Ouvrez cette page dans Safari sur l'appareil, obtenez le fichier et acceptez l'installation.",
  ipaCable: "Reliez l'appareil à un Mac et déposez-y le fichier dans le Finder.",
  ipaTrust:
    "Si le développeur n'est pas approuvé : Réglages, Général, VPN et gestion de l'appareil, choisissez le " +
    "développeur et faites-lui confiance.",
  ipaOnline: "Ouvrez l'app la première fois avec une connexion à Internet et l'appareil déverrouillé.",
  ipaMode:
    "Si le mode développeur est demandé : Réglages, Confidentialité et sécurité, activez-le ; l'appareil redémarre.",
  msixOpen: "Obtenez le fichier, ouvrez-le et choisissez Installer.",
  msixTrust:
    "Si l'éditeur n'est pas connu, un administrateur l'approuve d'abord : Propriétés du fichier, Signatures " +
    "numériques, Détails, Afficher le certificat, Installer un certificat, Ordinateur local, Personnes autorisées.",
  exeOpen: "Obtenez le fichier et ouvrez-le.",
  exeWarned: "Si Windows protège l'ordinateur, choisissez Informations complémentaires, puis Exécuter quand même.",
  macOpen: "Obtenez le fichier, ouvrez-le et placez l'app dans Applications.",
  macWarned:
    "Si le Mac n'ouvre pas l'app : Réglages Système, Confidentialité et sécurité, choisissez Ouvrir quand même.",
  debOpen: "Obtenez le fichier et ouvrez-le avec le programme d'installation de logiciels.",
  imageOpen: "Obtenez le fichier, autorisez son exécution dans ses propriétés et ouvrez-le.",
  iconOld: "Si une ancienne icône s'affiche encore, redémarrez l'appareil : il conserve les icônes un moment.",
};
