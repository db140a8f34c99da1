import UserNotifications

/// Adds the box's name to "your box is on its way".
final class NotificationService: UNNotificationServiceExtension {
    override func didReceive(
        _ request: UNNotificationRequest,
        withContentHandler contentHandler: @escaping (UNNotificationContent) -> Void
    ) {
        guard let content = request.content.mutableCopy() as? UNMutableNotificationContent else {
            return contentHandler(request.content)
        }
        if let box = content.userInfo["box"] as? String { content.subtitle = box }
        contentHandler(content)
    }
}
