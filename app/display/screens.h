// Which profile each screen is shown on by, what is simulated on it, and the view that follows from both.
#pragma once

#include "app/display/screen_view.h"
#include "app/task/task.h"

#include <QHash>
#include <QPointer>
#include <memory>

class QScreen;
class QWidget;

namespace amber {

class ScreenPropertyWatch;

/// What one screen is shown on by.
struct ScreenChoice {
    enum class Source { System, File, Srgb } source = Source::System;
    QString file;
    bool operator==(const ScreenChoice&) const = default;
};

class Screens : public QObject {
    Q_OBJECT

public:
    explicit Screens(QObject* parent = nullptr);
    ~Screens() override;
    /// The screen that this window is on is the one whose view everything takes.
    void follow(QWidget* window);
    QScreen* screen() const;

    /// Kept in the user's settings, by the name of the screen.
    static ScreenChoice choiceOf(const QScreen* screen);
    void setChoice(const QScreen* screen, const ScreenChoice& choice);

    struct Standing {
        std::optional<DeviceProfile> profile;  ///< none: sRGB is assumed
        QString fault;                         ///< why a profile that there is is not used
    };
    /// Read once, until it changes.
    const Standing& standingOf(const QScreen* screen);
    /// How pictures are shown besides: intents, proof, client. Intent and black point are kept in the settings.
    const ViewOptions& options() const { return m_options; }
    void setOptions(const ViewOptions& options);
    bool marksOutside() const { return m_outside; }
    void setMarksOutside(bool on);
    /// For people, in few words: "as sRGB", the title of a profile, "seen as …"; in sentences, with what is wrong.
    QString status();
    QString longStatus();
    bool isSimulating() const { return m_options.proof || m_options.client; }
    bool isAtRest() const { return !m_task.isRunning() && !m_stale; }

signals:
    /// Profile, choice or options are other ones.
    void changed();

private:
    void renew();
    void forget();

    QPointer<QWidget> m_window;
    std::unique_ptr<ScreenPropertyWatch> m_watch;
    QHash<QString, Standing> m_standing;
    ViewOptions m_options;
    bool m_outside = false, m_stale = false;
    QString m_fault;  ///< why there is no view with these options
    Task m_task;
};

}  // namespace amber
