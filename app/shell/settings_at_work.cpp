// Of the window: the settings dialog, and what the settings change in it.
#include "app/library/library_view.h"
#include "app/library/shared_library.h"
#include "app/places/look/look_place.h"
#include "app/settings/own_settings.h"
#include "app/shell/main_window.h"
#include "app/shell/message_bars.h"
#include "app/shell/settings_dialog.h"

#include <QtWidgets>

namespace amber {

void MainWindow::connectSettings()
{
    connect(&OwnSettings::instance(), &OwnSettings::changed, this, &MainWindow::heedSettings);
    heedSettings();
    constexpr int kMinute = 60000;
    auto* minute = new QTimer(this);
    connect(minute, &QTimer::timeout, this, &MainWindow::proposeRest);
    minute->start(kMinute);
    if (const QString fault = OwnSettings::instance().takeFault(); !fault.isEmpty())
        say(tr("The settings could not be read; those that could not are as shipped. %1").arg(fault));
}

void MainWindow::heedSettings()
{
    const bool moves = !OwnSettings::instance().get().isStill;
    for (const Qt::UIEffect effect : {Qt::UI_AnimateMenu, Qt::UI_FadeMenu, Qt::UI_AnimateCombo, Qt::UI_AnimateTooltip,
                                      Qt::UI_FadeTooltip, Qt::UI_AnimateToolBox})
        QApplication::setEffectEnabled(effect, moves);
    proposeRest();
}

/// Eyes take on what they look at: after a while nobody sees a tint any more.
void MainWindow::proposeRest()
{
    const int after = OwnSettings::instance().get().restMinutes, atWork = m_keeper.minutesSinceRest();
    if (after == 0 || atWork < std::max(after, m_restAskedFor))
        return m_messages->ask({"rest", {}, {}});
    m_messages->ask(
        {"rest",
         tr("%n minute(s) at work without a pause: eyes have taken on what they look at. Three minutes away from the "
            "screen set them right.",
            nullptr, atWork),
         {{tr("Ask later"), [this, atWork] {
               constexpr int kLater = 15;
               m_restAskedFor = atWork + kLater;
               m_messages->ask({"rest", {}, {}});
           }}}});
}

void MainWindow::showSettings()
{
    SettingsDialog dialog(m_look->library().shared(), m_screens.longStatus(), this);
    connect(&dialog, &SettingsDialog::screenWanted, &dialog, [this, &dialog] {
        dialog.accept();
        showScreenSheet();
    });
    dialog.exec();
}

}  // namespace amber
