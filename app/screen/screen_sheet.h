// The screen: a page to judge it by, the profile pictures are shown through, and whose eyes they are seen with.
#pragma once

#include "app/display/screens.h"

#include <QDialog>
#include <functional>

class QBoxLayout;
class QCheckBox;
class QComboBox;
class QLabel;
class QPushButton;
class QTimer;

namespace amber {

class ScreenSheet : public QDialog {
    Q_OBJECT

public:
    /// `minutesAtWork`: since the last rest.
    ScreenSheet(Screens& screens, std::function<int()> minutesAtWork, QWidget* parent);
    void setClientShown(bool on);

signals:
    void clientWanted(bool on);

protected:
    void showEvent(QShowEvent*) override;

private:
    void addProfile(QBoxLayout* column);
    void addSeenAs(QBoxLayout* column);
    void addReminders(QBoxLayout* column);
    QLabel* heading(QBoxLayout* column, const QString& words);
    void chooseSource(int index);
    void chooseSeenAs(int index);
    void askProfile();
    void refresh();
    void refreshSeenAs(const ViewOptions& options);
    void refreshReminders();
    void takeOptions();

    Screens& m_screens;
    std::function<int()> m_minutesAtWork;
    QLabel *m_name, *m_words, *m_reminders;
    QComboBox *m_source, *m_intent, *m_seenAs, *m_proofIntent;
    QCheckBox *m_blackPoint, *m_paperWhite, *m_outside;
    QPushButton* m_client;
    std::vector<DeviceProfile> m_profiles;  ///< of m_seenAs after its first row
    QTimer* m_timer;
};

}  // namespace amber
