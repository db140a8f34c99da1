import type { InstallWords } from "../en/install.ts";

export const spanish: InstallWords = {
  installTitle: "Instalar {name}",
  installIs: "Versión {version}, compilación {build}, para {system}",
  installFor: "De {agency}, para probarla. Por favor, no la pase a nadie más.",
  installGet: "Obtener {file}",
  installCode: "¿Quiere leer esta página en otro dispositivo? Este código la abre allí.",
  installHow: "Cómo se instala",
  installNew: "Novedades",
  installSum: "Suma del archivo (SHA-256)",
  apkOpen: "Abra esta página en el teléfono, obtenga el archivo y ábralo.",
  apkAllow:
    "Si el teléfono dice que no puede instalar desde aquí, elija Ajustes en ese mensaje y permítalo solo a este " +
    "programa. Después puede retirar el permiso.",
  apkUnknown: "Si Play Protect no conoce la app, elija Más detalles e instálela de todos modos.",
  apkOther:
    "Si no se puede instalar por una app que ya está, quítela antes: está firmada de otro modo, y lo que haya " +
    "guardado se perderá.",
  ipaKnown:
    "Funciona en los dispositivos que {agency} ha registrado. Si el suyo es nuevo, envíe antes su identificador " +
    "(UDID).",
  ipaAir: "Abra esta página en Safari en el dispositivo, obtenga el archivo y acepte la instalación.",
  ipaCable: "Conecte el dispositivo a un Mac y suelte el archivo sobre él en el Finder.",
  ipaTrust:
    "Si no se confía en el desarrollador: Ajustes, General, VPN y gestión de dispositivos, elija al desarrollador y " +
    "confíe en él.",
  ipaOnline: "Ábrala por primera vez con conexión a internet y con el dispositivo desbloqueado.",
  ipaMode:
    "Si se pide el modo de desarrollador: Ajustes, Privacidad y seguridad, actívelo; el dispositivo se reinicia.",
  msixOpen: "Obtenga el archivo, ábralo y elija Instalar.",
  msixTrust:
    "Si no se conoce al editor, un administrador confía antes en él: Propiedades del archivo, Firmas digitales, " +
    "Detalles, Ver certificado, Instalar certificado, Equipo local, Personas de confianza.",
  exeOpen: "Obtenga el archivo y ábralo.",
  exeWarned: "Si Windows protege el equipo, elija Más información y después Ejecutar de todas formas.",
  macOpen: "Obtenga el archivo, ábralo y ponga la app en Aplicaciones.",
  macWarned: "Si el Mac no abre la app: Ajustes del Sistema, Privacidad y seguridad, elija Abrir igualmente.",
  debOpen: "Obtenga el archivo y ábralo con el programa para instalar software.",
  imageOpen: "Obtenga el archivo, permita en sus propiedades que se ejecute y ábralo.",
  iconOld: "Si aún se ve un icono antiguo, reinicie el dispositivo: guarda los iconos un tiempo.",
};
