#include "app/screen/screen_sheet.h"
#include "app/shortcuts/shortcuts.h"

#include "app/screen/screen_page.h"
#include "app/screen/shipped_profiles.h"
#include "app/theme/controls.h"
#include "app/words/words.h"

#include <QtWidgets>

namespace amber {
namespace {
constexpr int kWarmUpMinutes = 30, kRestMinutes = 30;
constexpr int kSide = 356;

/// Since the program was started.
int minutesRunning()
{
    static const QElapsedTimer clock = [] {
        QElapsedTimer started;
        started.start();
        return started;
    }();
    return static_cast<int>(clock.elapsed() / 60000);
}
const int g_started = minutesRunning();

}  // namespace

ScreenSheet::ScreenSheet(Screens& screens, std::function<int()> minutesAtWork, QWidget* parent)
    : QDialog(parent), m_screens(screens), m_minutesAtWork(std::move(minutesAtWork)), m_profiles(shippedProfiles()),
      m_timer(new QTimer(this))
{
    (void)g_started;
    setObjectName("screenSheet");
    setWindowTitle(tr("Screen"));
    auto* row = new QHBoxLayout(this);
    row->setContentsMargins(0, 0, 0, 0);
    row->setSpacing(0);
    row->addWidget(new ScreenPage(this), 1);
    auto* side = new QWidget(this);
    auto* column = new QVBoxLayout(side);
    column->setContentsMargins(18, 14, 18, 14);
    column->setSpacing(6);
    addProfile(column);
    addSeenAs(column);
    addReminders(column);
    column->addStretch(1);
    auto* buttons = new QHBoxLayout;
    m_client =
        makeButton(this, "clientView", tr("Client view"),
                   withKeys(tr("The frame in hand alone in a window of its own, for another screen"), "clientView"),
                   [this] { emit clientWanted(m_client->isChecked()); });
    m_client->setCheckable(true);
    buttons->addWidget(m_client);
    buttons->addStretch(1);
    buttons->addWidget(makeButton(this, "screenClose", tr("Close"), QString(), [this] { close(); }));
    column->addLayout(buttons);
    side->setFixedWidth(std::max(kSide, column->minimumSize().width()));  // longer words than ours widen it
    row->addWidget(side);
    connect(&m_screens, &Screens::changed, this, &ScreenSheet::refresh);
    m_timer->setInterval(20000);
    connect(m_timer, &QTimer::timeout, this, &ScreenSheet::refresh);
    m_timer->start();
    resize(940, 640);
    refresh();
}

QLabel* ScreenSheet::heading(QBoxLayout* column, const QString& words)
{
    auto* label = new QLabel(words, this);
    label->setProperty("strong", true);
    column->addWidget(label);
    return label;
}

void ScreenSheet::addProfile(QBoxLayout* column)
{
    m_name = heading(column, QString());
    m_name->setObjectName("screenName");
    m_words = new QLabel(this);
    m_words->setObjectName("screenWords");
    m_words->setWordWrap(true);
    column->addWidget(m_words);
    m_source = new QComboBox(this);
    m_source->setObjectName("screenSource");
    m_source->setAccessibleName(tr("Profile of this screen"));
    m_source->addItems({tr("The profile the desk has for it"), tr("A profile file…"), tr("None: take it for sRGB")});
    connect(m_source, &QComboBox::activated, this, &ScreenSheet::chooseSource);
    column->addWidget(m_source);
    m_intent = new QComboBox(this);
    m_intent->setObjectName("screenIntent");
    m_intent->setAccessibleName(tr("Rendering intent"));
    m_intent->addItems({tr("Relative colorimetric"), tr("Perceptual")});
    m_intent->setToolTip(tr("Relative colorimetric: what the screen can show is true, the rest is cut off. Perceptual: "
                            "pressed in as the profile says"));
    connect(m_intent, &QComboBox::activated, this, &ScreenSheet::takeOptions);
    column->addWidget(m_intent);
    m_blackPoint = new QCheckBox(tr("Lay black on the darkest the screen gives"), this);
    m_blackPoint->setObjectName("screenBlackPoint");
    m_blackPoint->setToolTip(tr("Black point compensation"));
    connect(m_blackPoint, &QCheckBox::clicked, this, &ScreenSheet::takeOptions);
    column->addWidget(m_blackPoint);
    column->addSpacing(10);
}

void ScreenSheet::addSeenAs(QBoxLayout* column)
{
    heading(column, tr("Seen as"));
    m_seenAs = new QComboBox(this);
    m_seenAs->setObjectName("seenAs");
    m_seenAs->setAccessibleName(tr("Seen as"));
    connect(m_seenAs, &QComboBox::activated, this, &ScreenSheet::chooseSeenAs);
    column->addWidget(m_seenAs);
    m_proofIntent = new QComboBox(this);
    m_proofIntent->setObjectName("proofIntent");
    m_proofIntent->setAccessibleName(tr("Rendering intent of the print"));
    m_proofIntent->addItems({tr("Printed relative colorimetric"), tr("Printed perceptual")});
    connect(m_proofIntent, &QComboBox::activated, this, &ScreenSheet::takeOptions);
    column->addWidget(m_proofIntent);
    m_paperWhite = new QCheckBox(tr("With the paper's own white and black"), this);
    m_paperWhite->setObjectName("paperWhite");
    connect(m_paperWhite, &QCheckBox::clicked, this, &ScreenSheet::takeOptions);
    column->addWidget(m_paperWhite);
    m_outside = new QCheckBox(tr("Mark colours that cannot be shown"), this);
    m_outside->setObjectName("markOutside");
    m_outside->setToolTip(
        tr("On the frame in hand: chequered where the screen, or in a proof the print, cannot give the "
           "colour"));
    connect(m_outside, &QCheckBox::clicked, this, [this](bool on) { m_screens.setMarksOutside(on); });
    column->addWidget(m_outside);
    column->addSpacing(10);
}

void ScreenSheet::addReminders(QBoxLayout* column)
{
    heading(column, tr("Before you judge"));
    m_reminders = new QLabel(this);
    m_reminders->setObjectName("screenReminders");
    m_reminders->setWordWrap(true);
    m_reminders->setTextFormat(Qt::RichText);
    column->addWidget(m_reminders);
}

void ScreenSheet::showEvent(QShowEvent*) { refresh(); }

void ScreenSheet::setClientShown(bool on) { m_client->setChecked(on); }

void ScreenSheet::chooseSource(int index)
{
    const auto source = static_cast<ScreenChoice::Source>(index);
    ScreenChoice choice = Screens::choiceOf(m_screens.screen());
    if (source == ScreenChoice::Source::File) {
        const QString file = QFileDialog::getOpenFileName(this, tr("Profile of this screen"),
                                                          QFileInfo(choice.file).path(), tr("Profiles (*.icc *.icm)"));
        if (file.isEmpty())
            return refresh();
        choice.file = file;
    }
    choice.source = source;
    m_screens.setChoice(m_screens.screen(), choice);
}

void ScreenSheet::askProfile()
{
    const QString file =
        QFileDialog::getOpenFileName(this, tr("Profile of a screen or printer"), {}, tr("Profiles (*.icc *.icm)"));
    if (file.isEmpty())
        return refresh();
    auto profile = readDeviceProfile(file.toStdString());
    if (!profile) {
        refresh();
        m_words->setText(text(profile.error().message()));
        return;
    }
    m_profiles.push_back(std::move(*profile));
    chooseSeenAs(static_cast<int>(m_profiles.size()));
}

void ScreenSheet::chooseSeenAs(int index)
{
    if (index > static_cast<int>(m_profiles.size()))
        return askProfile();
    ViewOptions options = m_screens.options();
    options.proof.reset(), options.client.reset();
    if (index > 0) {
        const DeviceProfile& profile = m_profiles[static_cast<std::size_t>(index - 1)];
        const bool isPrint = profile.isPrinter || profile.kind == DeviceProfile::Kind::Cmyk;
        (isPrint ? options.proof : options.client) = profile;
    }
    m_screens.setOptions(options);
}

void ScreenSheet::takeOptions()
{
    ViewOptions options = m_screens.options();
    options.intent = static_cast<ViewIntent>(m_intent->currentIndex());
    options.blackPoint = m_blackPoint->isChecked();
    options.proofIntent = static_cast<ViewIntent>(m_proofIntent->currentIndex());
    options.paperWhite = m_paperWhite->isChecked();
    m_screens.setOptions(options);
}

void ScreenSheet::refresh()
{
    const QScreen* screen = m_screens.screen();
    m_name->setText(screen && !screen->name().isEmpty() ? tr("This screen: %1").arg(screen->name())
                                                        : tr("This screen"));
    m_words->setText(m_screens.longStatus());
    const ViewOptions& options = m_screens.options();
    m_source->setCurrentIndex(static_cast<int>(Screens::choiceOf(screen).source));
    m_intent->setCurrentIndex(static_cast<int>(options.intent));
    m_blackPoint->setChecked(options.blackPoint);
    const bool hasProfile = m_screens.standingOf(screen).profile.has_value();
    m_intent->setEnabled(hasProfile && !options.client && !options.proof);
    m_blackPoint->setEnabled((hasProfile || options.proof) && !options.client);
    refreshSeenAs(options);
    m_proofIntent->setCurrentIndex(static_cast<int>(options.proofIntent));
    m_paperWhite->setChecked(options.paperWhite);
    m_proofIntent->setVisible(options.proof.has_value());
    m_paperWhite->setVisible(options.proof.has_value());
    m_outside->setChecked(m_screens.marksOutside());
    m_outside->setEnabled(!options.client);
    refreshReminders();
}

void ScreenSheet::refreshSeenAs(const ViewOptions& options)
{
    const QSignalBlocker quiet(m_seenAs);
    m_seenAs->clear();
    m_seenAs->addItem(tr("It is"));
    int chosen = 0;
    for (std::size_t i = 0; i < m_profiles.size(); ++i) {
        m_seenAs->addItem(text(m_profiles[i].title));
        if ((options.proof && *options.proof == m_profiles[i]) || (options.client && *options.client == m_profiles[i]))
            chosen = static_cast<int>(i) + 1;
    }
    m_seenAs->addItem(tr("Another profile…"));
    m_seenAs->setCurrentIndex(chosen);
}

void ScreenSheet::refreshReminders()
{
    const int running = minutesRunning(), atWork = m_minutesAtWork ? m_minutesAtWork() : 0;
    m_reminders->setText(
        QStringList{
            tr("Room: dim and even, at most 64 lux on the screen, nothing bright behind it (ISO 3664)."),
            tr("Brightness: 80 to 160 cd/m² for white, set once and left."),
            running < kWarmUpMinutes ? tr("Warm-up: half an hour until colours stand; the program has run for less.")
                                     : tr("Warm-up: done, the program has run for more than half an hour."),
            atWork < kRestMinutes ? tr("Eyes: look far away for a few minutes every half hour.")
                                  : tr("Eyes: %1 min without a rest. Look far away for a few minutes.").arg(atWork)}
            .replaceInStrings(QRegularExpression("^(.*)$"), QStringLiteral("<p style='margin: 0 0 6px 0'>\\1</p>"))
            .join(QString()));
}

}  // namespace amber
