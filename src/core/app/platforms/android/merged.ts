import { type Folder, textIfAny } from "../../../ground/files/reading/folder.ts";

/** Permissions of the system itself, by their last word. */
export const permission = (...names: string[]) => names.map((name) => `android.permission.${name}`);

/** What libraries bring into an app's manifest by their own, as each one's manifest has it. */
const libraries: readonly { named: RegExp; brings: readonly string[] }[] = [
  {
    named: /com\.android\.billingclient:billing|react-native-iap|in_app_purchase/,
    brings: ["com.android.vending.BILLING"],
  },
  {
    named: /firebase-messaging|expo-notifications|firebase_messaging|@capacitor\/push-notifications/,
    brings: [...permission("POST_NOTIFICATIONS"), "com.google.android.c2dm.permission.RECEIVE"],
  },
  {
    named: /play-services-ads|firebase-analytics|play-services-measurement|google_mobile_ads|firebase_analytics/,
    brings: [
      "com.google.android.gms.permission.AD_ID",
      ...permission("ACCESS_ADSERVICES_AD_ID", "ACCESS_ADSERVICES_ATTRIBUTION", "ACCESS_ADSERVICES_TOPICS"),
    ],
  },
  {
    named: /androidx\.biometric|local_auth|expo-local-authentication/,
    brings: permission("USE_BIOMETRIC", "USE_FINGERPRINT"),
  },
  { named: /expo-camera|camera_android|mobile_scanner|zxing-android-embedded/, brings: permission("CAMERA") },
  { named: /expo-camera|camera_android|expo-av|record_android/, brings: permission("RECORD_AUDIO") },
  {
    named: /expo-location|geolocator|@capacitor\/geolocation|play-services-location/,
    brings: permission("ACCESS_FINE_LOCATION", "ACCESS_COARSE_LOCATION"),
  },
  { named: /expo-contacts|flutter_contacts/, brings: permission("READ_CONTACTS", "WRITE_CONTACTS") },
  {
    named: /expo-media-library|expo-image-picker|photo_manager/,
    brings: permission("READ_MEDIA_IMAGES", "READ_MEDIA_VIDEO", "READ_EXTERNAL_STORAGE", "WRITE_EXTERNAL_STORAGE"),
  },
  {
    named: /react-native-ble|flutter_blue|nordicsemi/,
    brings: permission("BLUETOOTH", "BLUETOOTH_ADMIN", "BLUETOOTH_CONNECT", "BLUETOOTH_SCAN"),
  },
];

/** Files that name the libraries of an app. */
const naming = /\.gradle(\.kts)?$|(^|\/)(libs\.versions\.toml|package\.json|pubspec\.yaml)$/;

/** Permissions that an app has though its own manifest does not name them: libraries that it names bring them. */
export function mergedPermissions(template: Folder): ReadonlySet<string> {
  const texts = template
    .list()
    .filter((file) => naming.test(file) && !/(^|\/)node_modules\//.test(file))
    .map((file) => textIfAny(template.bytes(file)) ?? "");
  return new Set(libraries.flatMap(({ named, brings }) => (texts.some((text) => named.test(text)) ? brings : [])));
}
