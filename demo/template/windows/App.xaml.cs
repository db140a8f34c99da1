using Microsoft.UI.Xaml;
using Microsoft.UI.Xaml.Controls;

namespace Storefront;

/// <summary>One window that shows the farm's page.</summary>
public partial class App : Application
{
    private Window? window;

    protected override void OnLaunched(LaunchActivatedEventArgs args)
    {
        window = new Window { Content = new WebView2 { Source = new Uri("ms-appx-web:///web/index.html") } };
        window.Activate();
    }
}
