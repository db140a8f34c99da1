/** How a capability is asked for: by which element, of which namespace; the plain one where there is no prefix. */
interface CapabilityForm {
  element: "Capability" | "DeviceCapability" | "CustomCapability";
  prefix?: string;
}

const base = "http://schemas.microsoft.com/appx/manifest";

/** Namespaces of a package manifest, by the prefix that they commonly have (Microsoft, package manifest schema). */
export const namespaces: Readonly<Record<string, string>> = {
  uap: `${base}/uap/windows10`,
  uap2: `${base}/uap/windows10/2`,
  uap3: `${base}/uap/windows10/3`,
  uap4: `${base}/uap/windows10/4`,
  uap6: `${base}/uap/windows10/6`,
  uap7: `${base}/uap/windows10/7`,
  mobile: `${base}/mobile/windows10`,
  rescap: `${base}/foundation/windows10/restrictedcapabilities`,
  iot: `${base}/iot/windows10`,
};

/** Names by how they are asked for (Microsoft, App capability declarations). */
const names: readonly (readonly [CapabilityForm, string])[] = [
  [
    { element: "DeviceCapability" },
    `activity bluetooth gazeInput humaninterfacedevice location lowLevel microphone optical pointOfService proximity
    radios serialcommunication usb webcam wiFiControl`,
  ],
  [{ element: "Capability" }, "allJoyn codeGeneration internetClient internetClientServer privateNetworkClientServer"],
  [
    { element: "Capability", prefix: "uap" },
    `appointments blockedChatMessages chat contacts documentsLibrary enterpriseAuthentication musicLibrary objects3D
    phoneCall picturesLibrary removableStorage sharedUserCertificates userAccountInformation videosLibrary voipCall`,
  ],
  [{ element: "Capability", prefix: "uap2" }, "phoneCallHistoryPublic spatialPerception"],
  [{ element: "Capability", prefix: "uap3" }, "backgroundMediaPlayback remoteSystem userNotificationListener"],
  [{ element: "Capability", prefix: "uap4" }, "offlineMapsManagement userDataTasks"],
  [{ element: "Capability", prefix: "uap6" }, "graphicsCapture"],
  [{ element: "Capability", prefix: "uap7" }, "globalMediaControl"],
  [{ element: "Capability", prefix: "mobile" }, "recordedCallsFolder"],
  [{ element: "Capability", prefix: "iot" }, "lowLevelDevices systemManagement"],
  [
    { element: "Capability", prefix: "rescap" },
    `allowElevation appCaptureServices appCaptureSettings appDiagnostics appLicensing broadFileSystemAccess
    confirmAppClose customInstallActions developmentModeNetwork deviceManagementAdministrator email
    extendedBackgroundTaskTime extendedExecutionBackgroundAudio extendedExecutionUnconstrained
    inputForegroundObservation inputInjectionBrokered localSystemServices modifiableApp packageManagement
    packagedServices packageQuery
    previewStore runFullTrust screenDuplication unvirtualizedResources userSystemId`,
  ],
];

const forms = new Map(
  names.flatMap(([form, list]) =>
    list
      .trim()
      .split(/\s+/)
      .map((name) => [name, form] as const),
  ),
);

/** A capability of a maker's own: a name, and thirteen characters of who made it (Microsoft, custom capability). */
const makersOwn = /^[\w.-]+_[a-z0-9]{13}$/;

/** How a capability is asked for; undefined of one that is not known. */
export const capabilityForm = (name: string): CapabilityForm | undefined =>
  forms.get(name) ?? (makersOwn.test(name) ? { element: "CustomCapability", prefix: "uap4" } : undefined);
