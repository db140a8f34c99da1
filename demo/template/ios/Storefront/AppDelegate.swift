import UIKit
import WebKit

/// Shows the farm's page; the page does the rest.
@main
final class AppDelegate: UIResponder, UIApplicationDelegate {
    var window: UIWindow?

    func application(
        _ application: UIApplication,
        didFinishLaunchingWithOptions options: [UIApplication.LaunchOptionsKey: Any]?
    ) -> Bool {
        let window = UIWindow(frame: UIScreen.main.bounds)
        window.rootViewController = ShopViewController()
        window.makeKeyAndVisible()
        self.window = window
        return true
    }
}

final class ShopViewController: UIViewController {
    override func loadView() {
        let page = WKWebView()
        if let url = Bundle.main.url(forResource: "index", withExtension: "html", subdirectory: "web") {
            page.loadFileURL(url, allowingReadAccessTo: url.deletingLastPathComponent())
        }
        view = page
    }
}
