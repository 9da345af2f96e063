// What is set once for every job. Everything holds at once; there is nothing to confirm.
#pragma once

#include "core/settings/settings.h"

#include <QDialog>
#include <functional>

class QBoxLayout;
class QLabel;
class QListWidget;
class QPushButton;

namespace amber {

class SharedLibrary;

class SettingsDialog : public QDialog {
    Q_OBJECT

public:
    SettingsDialog(SharedLibrary& library, const QString& screen, QWidget* parent);

signals:
    void screenWanted();

private:
    QBoxLayout* section(QBoxLayout* column, const QString& title);
    void addLibrary(QBoxLayout* column);
    void addScreen(QBoxLayout* column, const QString& screen);
    void addScale(QBoxLayout* body);
    void addDelivery(QBoxLayout* column);
    void addReminders(QBoxLayout* column);
    void showPlaces();
    void change(const std::function<void(Settings&)>& change);
    SharedLibrary& m_library;
    QListWidget* m_places;
    QPushButton* m_drop;
    QLabel* m_fault;
};

}  // namespace amber
