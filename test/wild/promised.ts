import { kelp } from "./clients.ts";

/** A file, and texts that stand in it. */
type Said = readonly [file: string, ...texts: string[]];

/** An app of a registry, and what a reader of it expects of a client's variant. */
export interface Promised {
  /** Its package, and the folder of the app within. */
  of: readonly [name: string, folder?: string];
  /** Texts of the client, each with what leads to it. */
  has: readonly Said[];
  /** What code refers to, as it was. */
  stays: readonly Said[];
  /** Pictures of the template that are others in a variant. */
  drawn?: readonly string[];
  /** What is told while the app is looked at. */
  tells?: readonly string[];
  /** What the audit finds before anybody has written a template.yaml: code and files. */
  asks?: readonly (string | RegExp)[];
  /** What it still asks when its advice is followed to the letter. */
  leaves?: readonly string[];
}

const { id, name, label, version, build } = kelp;
const groovy: readonly string[] = [`applicationId "${id}"`, `versionCode ${build}`, `versionName "${version}"`];
const asText = name.replace("&", "&amp;");
const shown = `<string name="app_name">${label}</string>`;
const bundle = `PRODUCT_BUNDLE_IDENTIFIER = ${id};`;
const entered = (own: string): Said => ["app.json", `"name": "${own}"`, `"displayName": "${label}"`];
const launchers = ["mdpi", "xxxhdpi"].map((density) => `android/app/src/main/res/mipmap-${density}/ic_launcher.png`);
/** What an app in JavaScript with native projects beside it has, in either of them. */
const bare = (own: string): readonly Said[] => [
  ["android/app/build.gradle", ...groovy],
  ["android/app/src/main/res/values/strings.xml", shown],
  [`ios/${own}.xcodeproj/project.pbxproj`, bundle],
  [`ios/${own}/Info.plist`, `<string>${label}</string>`],
  entered(own),
];

export const promised: Readonly<Record<string, Promised>> = {
  "flavours whose labels differ, and an app a stage in one Xcode project": {
    of: ["@computools/react-native-template-controller", "template"],
    has: [
      ...bare("ReactNativeTemplate"),
      ["android/app/build.gradle", `applicationId "${id}.staging"`, `applicationId "${id}.development"`],
      ["android/app/src/development/res/values/strings.xml", `>${label} Dev<`],
      ["android/app/src/staging/res/values/strings.xml", `>${label} Stg<`],
      ["ios/ReactNativeTemplate.xcodeproj/project.pbxproj", `= ${id}.Dev;`, `= ${id}.Stg;`],
      ["ios/ReactNativeTemplate_dev-Info.plist", `<string>${label}</string>`],
    ],
    stays: [["android/app/build.gradle", '"build_config_package", "com.reactnativetemplate"']],
    drawn: [
      ...launchers,
      "android/app/src/main/res/drawable-hdpi/bootsplash_logo.png",
      "ios/ReactNativeTemplate/Images.xcassets/computools-logo.imageset/computools-logo.svg",
    ],
    asks: [
      "residue-color src/app/infrastructure/auth/screens/login/Login.screen.tsx " +
        "src/app/infrastructure/auth/screens/sign-up/SignUp.screen.tsx " +
        "src/app/infrastructure/onboarding/Step.component.tsx src/app/ui-kit/buttons/Button.component.tsx",
      "residue-picture src/assets/images/logo.svg",
      "secret-likely .env.development .env.production .env.staging src/app/config/__tests__/mocks/token.json",
    ],
    leaves: ["secret-likely .env.development .env.production .env.staging src/app/config/__tests__/mocks/token.json"],
  },
  "start pictures by device, and an app for televisions that is called otherwise": {
    of: ["react-native-template-sishu", "template"],
    has: [
      ["android/app/build.gradle", ...groovy],
      ["ios/HelloWorld.xcodeproj/project.pbxproj", bundle, `= ${id}.tvOS;`],
      ["ios/HelloWorld-tvOS/Info.plist", `<key>CFBundleDisplayName</key>\n\t<string>${label}</string>`],
    ],
    stays: [["app.json", '"name": "HelloWorld"']],
    drawn: [
      ...launchers,
      ...["1125x2436.png", "640x960.jpg"].map(
        (file) => `ios/HelloWorld/Images.xcassets/LaunchImage.launchimage/${file}`,
      ),
    ],
    asks: ["residue-picture android/app/src/main/res/mipmap-xxhdpi/launch_screen.png"],
  },
  "long texts of its own that name the app": {
    of: ["react-native-template-pytorch-live", "template"],
    has: [
      ["android/app/build.gradle", ...groovy],
      ["android/app/src/main/res/values/strings.xml", shown],
      ["android/app/src/main/res/values/ic_launcher_background.xml", kelp.ground],
      ["ios/PyTorchLiveExample.xcodeproj/project.pbxproj", bundle],
    ],
    stays: [
      ["android/app/src/main/AndroidManifest.xml", 'package="org.pytorch.live.example"'],
      ["app.json", '"name": "PyTorchLiveExample"'],
    ],
    drawn: launchers,
    asks: [
      "residue-name src/examples/NLPQAExample.tsx",
      "residue-owner ios/PyTorchLiveExample.xcodeproj/project.pbxproj",
    ],
    leaves: ["residue-owner ios/PyTorchLiveExample.xcodeproj/project.pbxproj"],
  },
  "the example of a library": {
    of: ["@thevsstech/react-native-skeleton"],
    has: [
      ["example/android/app/build.gradle", ...groovy],
      ["example/ios/example.xcodeproj/project.pbxproj", bundle],
      ["example/ios/example/Base.lproj/LaunchScreen.xib", 'text="Kelp &amp; O&#39;Hara"'],
    ],
    stays: [["src/Skeleton.tsx", 'Skeleton.Item.displayName = "SkeletonItem"']],
    tells: ["The only app here is in example/: it looks like the example of a library."],
  },
  "native shells around pages of another kind, with settings of their own beside": {
    of: ["bmfe-weex-eros-template", "template"],
    has: [
      ["android/WeexFrameworkWrapper/app/build.gradle", ...groovy],
      ["android/WeexFrameworkWrapper/app/src/main/res/values/strings.xml", shown],
      ["ios/WeexEros/WeexEros.xcodeproj/project.pbxproj", bundle],
      ["ios/WeexEros/WeexEros/Info.plist", `<string>${label}</string>`, `<string>${id}</string>`],
    ],
    stays: [["config.json", '"iOS": "/ios/WeexEros/WeexEros"']],
    drawn: ["ios/WeexEros/WeexEros/Assets.xcassets/LaunchImage.launchimage/1125-2436.png"],
    asks: [
      // The site of its own name, and versions that are called by it.
      "residue-name android/WeexFrameworkWrapper/app/src/main/assets/config.json " +
        "android/WeexFrameworkWrapper/app/src/main/assets/pages.config " +
        "android/WeexFrameworkWrapper/app/src/main/assets/pages.zip, in eros-demos/tab3/index.js config.json " +
        "fe/src/js/pages/eros-demos/tab3/index.vue ios/WeexEros/WeexEros/bundle.config " +
        "ios/WeexEros/WeexEros/bundle.zip, in pages/eros-demos/tab3/index.js ios/WeexEros/WeexEros/config.json " +
        "ios/WeexEros/WeexEros/pages.config ios/WeexEros/WeexEros/pages.zip, in eros-demos/tab3/index.js",
      "residue-name android/WeexFrameworkWrapper/app/src/main/assets/config.json " +
        "android/WeexFrameworkWrapper/app/src/main/assets/pages.config " +
        "android/WeexFrameworkWrapper/app/src/main/assets/pages.zip, in md5.json config.json " +
        "ios/WeexEros/WeexEros/bundle.config ios/WeexEros/WeexEros/bundle.zip, in md5.json " +
        "ios/WeexEros/WeexEros/config.json ios/WeexEros/WeexEros/pages.config " +
        "ios/WeexEros/WeexEros/pages.zip, in md5.json",
      "residue-owner ios/WeexEros/WeexEros.xcodeproj/project.pbxproj",
      "residue-picture android/WeexFrameworkWrapper/app/src/main/res/drawable-xhdpi/ic_splash.png",
    ],
    leaves: [
      "residue-name android/WeexFrameworkWrapper/app/src/main/assets/config.json " +
        "android/WeexFrameworkWrapper/app/src/main/assets/pages.config config.json " +
        "fe/src/js/pages/eros-demos/tab3/index.vue ios/WeexEros/WeexEros/bundle.config " +
        "ios/WeexEros/WeexEros/config.json ios/WeexEros/WeexEros/pages.config",
      "residue-name android/WeexFrameworkWrapper/app/src/main/assets/pages.config " +
        "ios/WeexEros/WeexEros/bundle.config ios/WeexEros/WeexEros/pages.config",
      "residue-owner ios/WeexEros/WeexEros.xcodeproj/project.pbxproj",
    ],
  },
  "a desktop shell that is called by its package's name": {
    of: ["create-electron-foundation", "cli/template/base"],
    has: [
      ["electron/main/index.ts", "title: 'Kelp & O\\'Hara'"],
      ["index.html", "<title>Kelp &amp; O'Hara</title>"],
      ["package.json", `"productName": "${name}"`],
    ],
    stays: [["package.json", '"name": "create-electron-foundation-app"']],
    tells: ["the program's name is worked out in forge.config.js", "nothing names the program's icon"],
    asks: ["residue-name package.json"],
    leaves: ["residue-name package.json"],
  },
  "the same, packed by settings that say nothing": {
    of: ["electron-vite-template"],
    has: [
      ["package.json", `"productName": "${name}"`, `"version": "${version}"`],
      ["index.html", "<title>Kelp &amp; O'Hara</title>"],
    ],
    stays: [["package.json", '"name": "electron-vite-template"']],
    tells: ["nothing names the program's icon"],
  },
  "a desktop shell packed by a script": {
    of: ["electron-react-boilerplate"],
    has: [
      ["package.json", `"productName": "${name}"`, '"homepage": "https://kelp.example"', `"name": "${kelp.owner}"`],
    ],
    stays: [["package.json", '"name": "electron-react-boilerplate"']],
    asks: ["residue-name app/app.html", "residue-name main.development.js", "residue-picture app/app.icns"],
  },
  "a desktop shell with its packer's settings in the package, and its pages made": {
    of: ["@ptkdev/svelte-electron-boilerplate"],
    has: [
      [
        "package.json",
        `"productName": "${name}"`,
        `"appId": "${id}"`,
        `"author": "${kelp.owner} <${kelp.email}>"`,
        '"homepage": "https://kelp.example"',
      ],
    ],
    stays: [
      ["setup.json", '"package_name": "svelte-electron-boilerplate"'],
      ["package.json", '"name": "@ptkdev/svelte-electron-boilerplate"'],
    ],
    asks: [
      "residue-address dist/bundle.js setup.json",
      "residue-name dist/index.html package.json setup.json",
      "residue-picture dist/favicon.png dist/icon.png",
    ],
    leaves: ["residue-address dist/bundle.js setup.json", "residue-name setup.json"],
  },
  "a television's app whose identifier is in the project of its native parts": {
    of: ["@react-native-tvos/template-tv", "template"],
    has: [...bare("HelloWorld").slice(0, 4)],
    stays: [
      ["app.json", '"name": "HelloWorld"'],
      ["ios/Podfile", "target 'HelloWorld'"],
    ],
    drawn: [...launchers, "android/app/src/main/res/drawable-xhdpi/tv_banner.png"],
  },
  "a headset's project beside a telephone's": {
    of: ["@callstack/visionos-template", "template"],
    has: [
      ...bare("HelloWorld").slice(0, 4),
      ["visionos/HelloWorld.xcodeproj/project.pbxproj", bundle],
      ["visionos/HelloWorld/Info.plist", `<string>${label}</string>`],
    ],
    stays: [["visionos/Podfile", "target 'HelloWorld'"]],
    drawn: launchers,
  },
  "native resources, with an identifier in no settings": {
    of: ["@nativescript/template-drawer-navigation-ng"],
    has: [
      ["App_Resources/Android/app.gradle", `applicationId = "${id}"`, `versionName "${version}"`],
      ["App_Resources/Android/src/main/res/values/ic_launcher_background.xml", kelp.ground],
      ["App_Resources/iOS/Info.plist", `<string>${label}</string>`, `<string>${version}</string>`],
    ],
    stays: [["package.json", '"name": "@nativescript/template-drawer-navigation-ng"']],
    drawn: ["App_Resources/Android/src/main/res/mipmap-hdpi/ic_launcher.png"],
    tells: ["the label @string/app_name is nowhere in the template's resources"],
    asks: ["residue-name package.json"],
  },
  "the same as earlier versions had it": {
    of: ["tns-template-hello-world"],
    has: [
      ["package.json", `"id": "${id}"`],
      ["app/App_Resources/Android/src/main/AndroidManifest.xml", `android:versionCode="${build}"`],
      ["app/App_Resources/iOS/Info.plist", `<string>${label}</string>`],
    ],
    stays: [["package.json", '"name": "tns-template-hello-world"']],
    drawn: ["app/App_Resources/Android/src/main/res/drawable-hdpi/icon.png"],
    // It is called as the folder is that it is copied into.
    asks: ["name-unknown template.yaml"],
  },
  "a managed app with code beside it": {
    of: ["ignite-cli", "boilerplate"],
    has: [
      [
        "app.json",
        `"name": "${label}"`,
        `"package": "${id}"`,
        `"bundleIdentifier": "${id}"`,
        `"version": "${version}"`,
      ],
    ],
    stays: [
      ["app.json", '"slug": "HelloWorld"'],
      ["package.json", '"name": "hello-world"'],
    ],
    drawn: ["assets/images/app-icon-ios.png", "assets/images/app-icon-android-adaptive-foreground.png"],
    asks: [
      "residue-picture assets/images/logo.png assets/images/logo@2x.png assets/images/logo@3x.png " +
        "ignite/templates/app-icon/android-adaptive-foreground.png ignite/templates/app-icon/android-legacy.png " +
        "ignite/templates/app-icon/ios-universal.png ignite/templates/splash-screen/logo.png",
    ],
  },
  "an identifier for devices alone, and translations that name the app": {
    of: ["@thecodingmachine/react-native-boilerplate", "template"],
    has: [
      ...bare("Boilerplate"),
      ["ios/Boilerplate.xcodeproj/project.pbxproj", `"PRODUCT_BUNDLE_IDENTIFIER[sdk=iphoneos*]" = ${id};`],
      ["android/app/src/main/res/values/colors.xml", `name="splashscreen_bg">${kelp.ground}<`],
    ],
    stays: [["ios/Podfile", "target 'Boilerplate'"]],
    drawn: launchers,
    asks: [
      "residue-name plugins/printSuccess/plugin.js",
      "residue-owner ios/Boilerplate.xcodeproj/project.pbxproj",
      "residue-picture src/theme/assets/images/dark/tom.png",
      "secret-likely .env",
    ],
    leaves: ["residue-name plugins/printSuccess/plugin.js", "residue-owner ios/Boilerplate.xcodeproj/project.pbxproj"],
  },
  "a wrapper's page with a web manifest, and its settings in XML": {
    of: ["ionic-app-base"],
    has: [
      [
        "config.xml",
        `<widget id="${id}" version="${version}"`,
        "<name>Kelp &amp; O'Hara</name>",
        `email="${kelp.email}"`,
      ],
      ["src/manifest.json", `"name": "${name}"`, `"short_name": "${label}"`, `"theme_color": "${kelp.brand}"`],
      ["src/index.html", "<title>Kelp &amp; O'Hara</title>", `<meta name="theme-color" content="${kelp.brand}">`],
    ],
    stays: [["package.json", '"name": "ionic-app-base"']],
    drawn: ["resources/ios/icon/icon-1024.png", "resources/android/icon/drawable-hdpi-icon.png"],
    asks: ["residue-address package.json", "residue-picture resources/icon.png resources/splash.png"],
  },
  "a page on a sign, which a television knows by its settings": {
    of: ["@webos-tools/cli", "files/templates/signage-sdk-templates/Flight_Schedule"],
    has: [
      ["appinfo.json", `"id": "${id}"`, `"title": "${name}"`, `"vendor": "${kelp.owner}"`, `"version": "${version}"`],
      ["index.html", "<title>Kelp &amp; O'Hara</title>"],
    ],
    stays: [["appinfo.json", '"main": "index.html"', '"type": "web"']],
    drawn: ["icon.png"],
  },
  "an older bare app": {
    of: ["react-native-template-typescript", "template"],
    has: [...bare("HelloWorld").slice(0, 4)],
    stays: [["app.json", '"name": "HelloWorld"']],
    drawn: launchers,
  },
  "a bare app whose name is a common word": {
    of: ["react-native-template-basic-typescript", "template"],
    has: bare("template"),
    stays: [["ios/Podfile", "target 'template'"]],
    drawn: launchers,
  },
  "a page with a bundler of its own, that is installed": {
    of: ["cra-template-pwa", "template"],
    has: [
      ["public/manifest.json", `"name": "${name}"`, `"short_name": "${label}"`, `"background_color": "${kelp.ground}"`],
      ["public/index.html", "<title>Kelp &amp; O'Hara</title>", 'href="%PUBLIC_URL%/manifest.json"'],
    ],
    stays: [["public/index.html", 'href="%PUBLIC_URL%/favicon.ico"']],
    drawn: ["public/favicon.ico", "public/logo192.png", "public/logo512.png"],
    asks: ["residue-name public/index.html", "residue-picture src/logo.svg"],
    leaves: ["residue-name public/index.html"],
  },
  "pictures that its own pages show": {
    of: ["@highbeek/create-rnstarterkit", "dist/templates/cli-base"],
    has: bare("BaseApp").slice(0, 4),
    stays: [["ios/Podfile", "target 'BaseApp'"]],
    drawn: launchers,
    asks: ["residue-picture assets/images/icon.png assets/images/partial-react-logo.png assets/images/react-logo.png"],
  },
  "a build that takes what the app is called by name, from a file of its environment": {
    of: ["rn-boiler-template", "template"],
    has: [
      [
        "env/dev.json",
        `"APP_DISPLAY_NAME": "${label}"`,
        `"VERSION_NAME": "${version}"`,
        `"VERSION_CODE": "${build}"`,
        `"BUNDLE_IDENTIFIER": "${id}"`,
      ],
      ["app.json", `"name": "${label}"`, `"package": "${id}"`, `"bundleIdentifier": "${id}"`],
      ["android/app/build.gradle", `applicationId "${id}"`, 'versionName project.keys.get("VERSION_NAME")'],
      ["ios/HelloWorld.xcodeproj/project.pbxproj", bundle],
    ],
    stays: [
      ["env/dev.json", '"CODE_SIGN_ENTITLEMENTS": "HelloWorld"', '"WORKSPACE_NAME": "HelloWorld"'],
      ["ios/HelloWorld/Info.plist", "<string>$(APP_DISPLAY_NAME)</string>", "<string>$(VERSION_CODE)</string>"],
      ["ios/Podfile", "target 'HelloWorld'"],
    ],
    drawn: [
      "android/app/src/main/res/mipmap-hdpi/ic_launcher.png",
      "android/app/src/dev/ic_launcher-playstore.png",
      "ios/HelloWorld/Images.xcassets/AppIcon-Dev.appiconset/1024.png",
    ],
    tells: ["no storyboard named $(SPLASH_STORYBOARD_NAME)"],
    asks: [
      `residue-picture ${[
        ...["appicon/appicon-dev", "appicon/appicon", "bootsplash/logo", "bootsplash/logo@1,5x", "bootsplash/logo@2x"],
        ...["bootsplash/logo@3x", "bootsplash/logo@4x", "splash/splash"],
      ]
        .map((each) => `assets/${each}.png`)
        .join(" ")} ${["", "@2x", "@3x"]
        .map((each) => `ios/HelloWorld/Images.xcassets/BootSplashLogo-8e2e67.imageset/logo-8e2e67${each}.png`)
        .join(" ")}`,
      /secret-likely \w+\/\.env\.dev$/,
    ],
  },
  "a managed app with settings of its own for each stage": {
    of: ["create-ern-boilerplate", "templates/simple"],
    has: ["app.json", "app.staging.json", "app.prod.json"].map(
      (file): Said => [
        file,
        `"name": "${label}"`,
        `"version": "${version}"`,
        `"versionCode": ${build}`,
        `"package": "${id}"`,
      ],
    ),
    stays: [["app.prod.json", '"slug": "APP_SLUG"', '"BASE_URL": "https://api.production.com"']],
    drawn: ["src/assets/images/icon.png", "src/assets/images/adaptive-icon.png"],
    asks: ["residue-address server/db.json", "residue-address server/db.json", "residue-name .env.example"],
  },
  "two projects side by side, known by the names of their targets": {
    of: ["ios-uicatalog"],
    has: [
      ["UICatalog/UICatalog/UICatalog-Info.plist", ...[label, id, version, build].map((each) => `<string>${each}<`)],
      ["UIKitCatalog/UIKitCatalog.xcodeproj/project.pbxproj", bundle, `MARKETING_VERSION = ${version};`],
      ["UIKitCatalog/UIKitCatalog/UIKitCatalog-Info.plist", `<string>${label}</string>`, `Allow ${asText} to save`],
      [
        "UIKitCatalog/UIKitCatalog/Base.lproj/Main.storyboard",
        `navigate ${asText}. For more information on how ${asText} is structured`,
        'customModule="UIKitCatalog"',
      ],
    ],
    stays: [
      ["UIKitCatalog/gulpfile.js", "'UIKitCatalog.app'"],
      ["UIKitCatalog/UIKitCatalog/Base.lproj/Localizable.strings", '"UIKitCatalog" = '],
    ],
    drawn: ["UIKitCatalog/UIKitCatalog/Assets.xcassets/AppIcon.appiconset/icon-ios-marketing-1024-1x.png"],
    asks: [
      "residue-name UICatalog/UICatalog/en.lproj/Localizable.strings UICatalog/uicatalog-info.md " +
        "UIKitCatalog/uicatalog-info.md package.json",
      "residue-name UIKitCatalog/UIKitCatalog/Base.lproj/Localizable.strings",
      "residue-owner UICatalog/uicatalog-info.md UIKitCatalog/UIKitCatalog/Base.lproj/InfoPlist.strings " +
        "UIKitCatalog/uicatalog-info.md",
    ],
    leaves: ["residue-name package.json"],
  },
  "an identifier that a property list puts together": {
    of: ["ios-test-app"],
    has: [
      ["Test App 2/TestApp-Info.plist", ...[label, id, version, build].map((each) => `<string>${each}<`)],
      ["TestApp.xcodeproj/project.pbxproj", bundle],
    ],
    stays: [["TestApp.xcodeproj/project.pbxproj", "name = TestApp;"]],
    tells: ["iOS: no app icon set."],
  },
};
