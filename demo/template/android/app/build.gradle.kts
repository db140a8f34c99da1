plugins {
    id("com.android.application")
    id("org.jetbrains.kotlin.android")
}

android {
    // The code's namespace; the app's identity is the application ID below.
    namespace = "example.lanternfield.storefront"
    compileSdk = 36

    defaultConfig {
        applicationId = "example.lanternfield.plaincrate"
        minSdk = 24
        targetSdk = 36
        versionCode = 214
        versionName = "7.3.1" // rises with the page
    }

    buildTypes {
        release {
            isMinifyEnabled = true
            proguardFiles(getDefaultProguardFile("proguard-android-optimize.txt"), "proguard-rules.pro")
        }
    }

    kotlinOptions {
        jvmTarget = "17"
    }
}

dependencies {
    implementation(project(":boxes"))
}
