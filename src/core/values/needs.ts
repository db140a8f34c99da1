/** What a feature needs of each platform's build files. */
export interface Needs {
  android?:
    | {
        /** Names of `uses-permission` and `uses-feature` elements. */
        permissions?: readonly string[] | undefined;
        /** Filters of activities that open the app by an address. */
        links?: boolean | undefined;
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

/**
 * What features that most apps know need (Android, Manifest.permission and app manifest; Apple, Information Property List and
 * Entitlements; Microsoft, App capability declarations).
 */
const knownNeeds: Readonly<Record<string, Needs>> = {
  camera: {
    android: {
      permissions: [
        ...permission("CAMERA"),
        "android.hardware.camera",
        "android.hardware.camera.any",
        "android.hardware.camera.autofocus",
        "android.hardware.camera.flash",
        "android.hardware.camera.front",
      ],
    },
    ios: { usage: ["NSCameraUsageDescription"], entitlements: ["com.apple.security.device.camera"] },
    windows: { capabilities: ["webcam"] },
  },
  location: {
    android: {
      permissions: [
        ...permission(
          "ACCESS_FINE_LOCATION",
          "ACCESS_COARSE_LOCATION",
          "ACCESS_BACKGROUND_LOCATION",
          "FOREGROUND_SERVICE_LOCATION",
        ),
        "android.hardware.location",
        "android.hardware.location.gps",
        "android.hardware.location.network",
      ],
    },
    ios: {
      usage: [
        "NSLocationWhenInUseUsageDescription",
        "NSLocationAlwaysAndWhenInUseUsageDescription",
        "NSLocationAlwaysUsageDescription",
        "NSLocationUsageDescription",
        "NSLocationTemporaryUsageDescriptionDictionary",
      ],
      entitlements: ["com.apple.security.personal-information.location"],
      background: ["location"],
    },
    windows: { capabilities: ["location"] },
  },
  push: {
    android: {
      permissions: [...permission("POST_NOTIFICATIONS"), "com.google.android.c2dm.permission.RECEIVE"],
    },
    ios: {
      entitlements: ["aps-environment", "com.apple.developer.aps-environment"],
      background: ["remote-notification"],
    },
  },
  // Goods sold in an app need no entitlement on iOS; com.apple.developer.in-app-payments is payment by card.
  purchases: { android: { permissions: ["com.android.vending.BILLING"] } },
  "card-payment": {
    android: { components: ["com.google.android.gms.wallet.api.enabled"] },
    ios: { entitlements: ["com.apple.developer.in-app-payments"] },
  },
  "sign-in": { ios: { entitlements: ["com.apple.developer.applesignin"] } },
  "deep-links": {
    android: { links: true },
    ios: { entitlements: ["com.apple.developer.associated-domains"], keys: ["CFBundleURLTypes"] },
    windows: { extensions: ["windows.protocol", "windows.appUriHandler"] },
  },
  microphone: {
    android: {
      permissions: [
        ...permission("RECORD_AUDIO", "FOREGROUND_SERVICE_MICROPHONE"),
        "android.hardware.microphone",
      ],
    },
    ios: {
      usage: ["NSMicrophoneUsageDescription"],
      entitlements: ["com.apple.security.device.audio-input"],
    },
    windows: { capabilities: ["microphone"] },
  },
  photos: {
    android: {
      permissions: permission(
        "READ_MEDIA_IMAGES",
        "READ_MEDIA_VIDEO",
        "READ_MEDIA_VISUAL_USER_SELECTED",
        "READ_EXTERNAL_STORAGE",
        "WRITE_EXTERNAL_STORAGE",
      ),
    },
    ios: {
      usage: ["NSPhotoLibraryUsageDescription", "NSPhotoLibraryAddUsageDescription"],
      keys: ["PHPhotoLibraryPreventAutomaticLimitedAccessAlert"],
      entitlements: ["com.apple.security.personal-information.photos-library"],
    },
    windows: { capabilities: ["picturesLibrary", "videosLibrary"] },
  },
  contacts: {
    android: { permissions: permission("READ_CONTACTS", "WRITE_CONTACTS", "GET_ACCOUNTS") },
    ios: {
      usage: ["NSContactsUsageDescription"],
      entitlements: [
        "com.apple.developer.contacts.notes",
        "com.apple.security.personal-information.addressbook",
      ],
    },
    windows: { capabilities: ["contacts"] },
  },
  bluetooth: {
    android: {
      permissions: [
        ...permission(
          "BLUETOOTH",
          "BLUETOOTH_ADMIN",
          "BLUETOOTH_CONNECT",
          "BLUETOOTH_SCAN",
          "BLUETOOTH_ADVERTISE",
        ),
        "android.hardware.bluetooth",
        "android.hardware.bluetooth_le",
      ],
    },
    ios: {
      usage: ["NSBluetoothAlwaysUsageDescription", "NSBluetoothPeripheralUsageDescription"],
      entitlements: ["com.apple.security.device.bluetooth"],
      background: ["bluetooth-central", "bluetooth-peripheral"],
    },
    windows: { capabilities: ["bluetooth"] },
  },
  biometrics: {
    android: { permissions: permission("USE_BIOMETRIC", "USE_FINGERPRINT") },
    ios: { usage: ["NSFaceIDUsageDescription"] },
  },
  tracking: {
    android: {
      permissions: [
        "com.google.android.gms.permission.AD_ID",
        ...permission("ACCESS_ADSERVICES_AD_ID", "ACCESS_ADSERVICES_ATTRIBUTION", "ACCESS_ADSERVICES_TOPICS"),
      ],
    },
    ios: {
      usage: ["NSUserTrackingUsageDescription"],
      keys: ["SKAdNetworkItems", "NSAdvertisingAttributionReportEndpoint"],
    },
  },
};

/** What is known of a feature's name; names that every object has are none. */
export const needsKnown = (name: string): Needs | undefined =>
  Object.hasOwn(knownNeeds, name) ? knownNeeds[name] : undefined;
