package example.lanternfield.storefront

import android.app.Activity
import android.os.Bundle
import android.webkit.WebView

/** Shows the farm's page; the page does the rest. */
class MainActivity : Activity() {
    override fun onCreate(savedInstanceState: Bundle?) {
        setTheme(R.style.Storefront)
        super.onCreate(savedInstanceState)
        setContentView(R.layout.main)
        findViewById<WebView>(R.id.page).apply {
            settings.javaScriptEnabled = true
            loadUrl("file:///android_asset/index.html")
        }
    }
}
