// The guide on the screen: the way in pictures, and a page for each place.
#pragma once

#include <QDialog>

class QListWidget;
class QStackedWidget;

namespace amber {

struct GuidePage;

class GuideSheet : public QDialog {
    Q_OBJECT

public:
    explicit GuideSheet(QWidget* parent = nullptr);
    void show(const QString& page);
    QString page() const;

    /// Whether the guide was ever closed by this user; and that it was.
    static bool wasSeen();
    static void setSeen();

private:
    QWidget* makePage(const GuidePage& page);
    QListWidget* m_list;
    QStackedWidget* m_stack;
};

}  // namespace amber
