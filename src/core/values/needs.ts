/** What a feature needs of each platform's build files. */
export interface Needs {
  android?:
    | {
        /** Names of `uses-permission` and `uses-feature` elements. */
        permissions?: readonly string[] | undefined;
        /** Names of activities, services, receivers, providers and meta-data that are there for this feature alone. */
        components?: readonly string[] | undefined;
      }
    | undefined;
  ios?:
    | {
        /** Keys that hold the text which people read when the app asks for something; none of them may be empty. */
        usage?: readonly string[] | undefined;
        /** Keys of an entitlements file. */
        entitlements?: readonly string[] | undefined;
        /** Entries of UIBackgroundModes. */
        background?: readonly string[] | undefined;
        /** Further keys of a property list. */
        keys?: readonly string[] | undefined;
      }
    | undefined;
  windows?:
    | {
        /** Names of capabilities, device capabilities included. */
        capabilities?: readonly string[] | undefined;
        /** Categories of an application's extensions. */
        extensions?: readonly string[] | undefined;
      }
    | undefined;
  web?:
    | {
        /** Members of the web manifest. */
        members?: readonly string[] | undefined;
        /** Ids of elements in the app's pages. */
        elements?: readonly string[] | undefined;
      }
    | undefined;
}

const permission = (...names: string[]) => names.map((name) => `android.permission.${name}`);

/** What features that most apps know need (Android, Manifest.permission; Apple, Information Property List and Entitlements; Microsoft, App capability declarations). */
export const knownNeeds: Readonly<Record<string, Needs>> = {
  camera: {
    android: {
      permissions: [...permission("CAMERA"), "android.hardware.camera", "android.hardware.camera.autofocus"],
    },
    ios: { usage: ["NSCameraUsageDescription"] },
    windows: { capabilities: ["webcam"] },
  },
  location: {
    android: {
      permissions: [
        ...permission("ACCESS_FINE_LOCATION", "ACCESS_COARSE_LOCATION", "ACCESS_BACKGROUND_LOCATION"),
        "android.hardware.location.gps",
      ],
    },
    ios: {
      usage: ["NSLocationWhenInUseUsageDescription", "NSLocationAlwaysAndWhenInUseUsageDescription"],
      background: ["location"],
    },
    windows: { capabilities: ["location"] },
  },
  push: {
    android: { permissions: permission("POST_NOTIFICATIONS") },
    ios: { entitlements: ["aps-environment"], background: ["remote-notification"] },
  },
  purchases: {
    android: { permissions: ["com.android.vending.BILLING"] },
    ios: { entitlements: ["com.apple.developer.in-app-payments"] },
  },
  "sign-in": { ios: { entitlements: ["com.apple.developer.applesignin"] } },
  "deep-links": { ios: { entitlements: ["com.apple.developer.associated-domains"] } },
  microphone: {
    android: { permissions: [...permission("RECORD_AUDIO"), "android.hardware.microphone"] },
    ios: { usage: ["NSMicrophoneUsageDescription"] },
    windows: { capabilities: ["microphone"] },
  },
  photos: {
    android: { permissions: permission("READ_MEDIA_IMAGES", "READ_EXTERNAL_STORAGE") },
    ios: { usage: ["NSPhotoLibraryUsageDescription", "NSPhotoLibraryAddUsageDescription"] },
    windows: { capabilities: ["picturesLibrary"] },
  },
  contacts: {
    android: { permissions: permission("READ_CONTACTS") },
    ios: { usage: ["NSContactsUsageDescription"] },
    windows: { capabilities: ["contacts"] },
  },
  bluetooth: {
    android: {
      permissions: permission("BLUETOOTH", "BLUETOOTH_ADMIN", "BLUETOOTH_CONNECT", "BLUETOOTH_SCAN"),
    },
    ios: { usage: ["NSBluetoothAlwaysUsageDescription"] },
    windows: { capabilities: ["bluetooth"] },
  },
  biometrics: {
    android: { permissions: permission("USE_BIOMETRIC") },
    ios: { usage: ["NSFaceIDUsageDescription"] },
  },
  tracking: {
    android: { permissions: ["com.google.android.gms.permission.AD_ID"] },
    ios: { usage: ["NSUserTrackingUsageDescription"] },
  },
};
