#include "app/display/screens.h"

#include "app/display/screen_property.h"
#include "app/display/screen_view.h"
#include "app/words/words.h"

#include <QGuiApplication>
#include <QScreen>
#include <QSettings>
#include <QWidget>
#include <QWindow>

namespace amber {
namespace {

QSettings settings() { return {QSettings::IniFormat, QSettings::UserScope, "jolly-amber", "screens"}; }

/// A screen's name with what may not stand in a key taken out.
QString keyOf(const QScreen* screen)
{
    QString name = screen ? screen->name() : QString();
    name.replace('/', '_').replace('\\', '_');
    return name.isEmpty() ? QStringLiteral("screen") : name;
}

}  // namespace

Screens::Screens(QObject* parent) : QObject(parent)
{
    const QSettings kept = settings();
    m_options.intent = kept.value("intent").toString() == "perceptual" ? ViewIntent::Perceptual : ViewIntent::Relative;
    m_options.blackPoint = kept.value("blackPoint", true).toBool();
    m_watch = std::make_unique<ScreenPropertyWatch>([this] { forget(); });
    connect(qGuiApp, &QGuiApplication::screenAdded, this, &Screens::forget);
    connect(qGuiApp, &QGuiApplication::screenRemoved, this, &Screens::forget);
}

Screens::~Screens() = default;

void Screens::follow(QWidget* window)
{
    m_window = window;
    window->winId();  // so that there is a window to be on a screen
    connect(window->windowHandle(), &QWindow::screenChanged, this,
            [this, ratio = window->devicePixelRatioF()](const QScreen* now) mutable {
                if (now && now->devicePixelRatio() != ratio) {
                    // Another number of pixels in the same view: pictures are made anew, as fine as the screen is.
                    ratio = now->devicePixelRatio();
                    emit ScreenView::instance().changed();
                }
                renew();
            });
    renew();
}

QScreen* Screens::screen() const { return m_window ? m_window->screen() : QGuiApplication::primaryScreen(); }

ScreenChoice Screens::choiceOf(const QScreen* screen)
{
    QSettings kept = settings();
    kept.beginGroup(keyOf(screen));
    const QString source = kept.value("source").toString();
    return {source == "file"   ? ScreenChoice::Source::File
            : source == "srgb" ? ScreenChoice::Source::Srgb
                               : ScreenChoice::Source::System,
            kept.value("file").toString()};
}

void Screens::setChoice(const QScreen* screen, const ScreenChoice& choice)
{
    QSettings kept = settings();
    kept.beginGroup(keyOf(screen));
    kept.setValue("source", choice.source == ScreenChoice::Source::File   ? "file"
                            : choice.source == ScreenChoice::Source::Srgb ? "srgb"
                                                                          : "system");
    kept.setValue("file", choice.file);
    forget();
}

const Screens::Standing& Screens::standingOf(const QScreen* screen)
{
    const QString key = keyOf(screen);
    const auto found = m_standing.constFind(key);
    if (found != m_standing.constEnd())
        return *found;
    const ScreenChoice choice = choiceOf(screen);
    Standing standing;
    const auto take = [&](Result<DeviceProfile> profile) {
        if (profile && profile->kind == DeviceProfile::Kind::Rgb)
            standing.profile = std::move(*profile);
        else
            standing.fault = profile ? tr("%1 is not a profile of a screen").arg(text(profile->title))
                                     : text(profile.error().message());
    };
    if (choice.source == ScreenChoice::Source::File) {
        take(readDeviceProfile(choice.file.toStdString()));
    } else if (choice.source == ScreenChoice::Source::System) {
        const qsizetype index = QGuiApplication::screens().indexOf(const_cast<QScreen*>(screen));
        if (auto bytes = screenProperty(static_cast<int>(std::max<qsizetype>(0, index))); !bytes.empty())
            take(deviceProfile(std::move(bytes), "_ICC_PROFILE"));
    }
    return *m_standing.insert(key, standing);
}

void Screens::setOptions(const ViewOptions& options)
{
    m_options = options;
    QSettings kept = settings();
    kept.setValue("intent", options.intent == ViewIntent::Perceptual ? "perceptual" : "relative");
    kept.setValue("blackPoint", options.blackPoint);
    renew();
}

void Screens::setMarksOutside(bool on)
{
    m_outside = on;
    renew();
}

void Screens::forget()
{
    m_standing.clear();
    renew();
}

/// Views are made beside the window; of several changes meanwhile only the last counts.
void Screens::renew()
{
    if (m_task.isRunning()) {
        m_stale = true;
        return;
    }
    m_stale = false;
    const auto profile = standingOf(screen()).profile;
    const auto view = std::make_shared<Result<std::shared_ptr<const ViewTransform>>>(ViewTransform::srgb());
    const auto show = [this, view, simulates = isSimulating()] {
        m_fault = *view ? QString() : text(view->error().message());
        ScreenView& now = ScreenView::instance();
        now.setWords(!simulates || !*view ? QString() : status());
        now.set(*view ? **view : ViewTransform::srgb(), m_outside);
        emit changed();
        if (m_stale)
            renew();
    };
    if (!profile && !isSimulating())
        return show();
    m_task.start([profile, options = m_options,
                  view](const Task::Progress&, const CancelToken&) { *view = ViewTransform::make(profile, options); },
                 [show](bool) { show(); });
    emit changed();
}

QString Screens::status()
{
    const Standing& standing = standingOf(screen());
    const auto& seen = m_options.proof ? m_options.proof : m_options.client;
    return seen               ? tr("seen as %1").arg(text(seen->title))
           : standing.profile ? text(standing.profile->title)
                              : tr("as sRGB");
}

QString Screens::longStatus()
{
    const Standing& standing = standingOf(screen());
    QString words = standing.profile
                        ? (choiceOf(screen()).source == ScreenChoice::Source::File
                               ? tr("Shown through the chosen profile “%1”.").arg(text(standing.profile->title))
                               : tr("Shown through the profile the desk has for this screen, “%1”.")
                                     .arg(text(standing.profile->title)))
                    : choiceOf(screen()).source == ScreenChoice::Source::Srgb
                        ? tr("Shown as on an sRGB screen, as chosen.")
                        : tr("No profile is known for this screen: it is taken for an sRGB screen.");
    if (!standing.fault.isEmpty())
        words += " " + tr("Not used: %1.").arg(standing.fault);
    if (!m_fault.isEmpty())
        words += " " + tr("Not shown: %1.").arg(m_fault);
    return words;
}

}  // namespace amber
