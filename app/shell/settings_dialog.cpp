#include "app/shell/settings_dialog.h"

#include "app/library/shared_library.h"
#include "app/settings/own_settings.h"
#include "app/shell/key_table.h"
#include "app/theme/controls.h"
#include "app/words/words.h"

#include <QtWidgets>

namespace amber {

SettingsDialog::SettingsDialog(SharedLibrary& library, const QString& screen, QWidget* parent)
    : QDialog(parent), m_library(library), m_fault(new QLabel(this))
{
    setObjectName("settings");
    setWindowTitle(tr("Settings"));
    auto* left = new QVBoxLayout;
    left->setSpacing(8);
    addLibrary(left);
    addScreen(left, screen);
    addDelivery(left);
    addReminders(left);
    left->addStretch(1);
    auto* right = new QVBoxLayout;
    auto* keys = new KeyTable(this);
    section(right, tr("Keys"))->addWidget(keys);
    right->setStretch(right->count() - 1, 1);
    connect(keys, &KeyTable::failed, m_fault, &QLabel::setText);
    auto* columns = new QHBoxLayout;
    columns->setSpacing(32);
    columns->addLayout(left, 5);
    columns->addLayout(right, 6);
    m_fault->setObjectName("settingsFault");
    m_fault->setWordWrap(true);
    auto* foot = new QHBoxLayout;
    foot->addWidget(m_fault, 1);
    foot->addWidget(makeButton(this, "settingsClose", tr("Close"), QString(), [this] { accept(); }));
    auto* layout = new QVBoxLayout(this);
    layout->setContentsMargins(24, 20, 24, 18);
    layout->setSpacing(14);
    layout->addLayout(columns, 1);
    layout->addLayout(foot);
    for (QPushButton* button : findChildren<QPushButton*>())
        button->setAutoDefault(false);  // Enter in a field is for that field
    resize(980, 620);
}

QBoxLayout* SettingsDialog::section(QBoxLayout* column, const QString& title)
{
    if (column->count() > 0)
        column->addSpacing(10);
    auto* label = new QLabel(title, this);
    label->setProperty("strong", true);
    label->setSizePolicy(QSizePolicy::Preferred, QSizePolicy::Fixed);
    column->addWidget(label);
    auto* body = new QVBoxLayout;
    body->setSpacing(6);
    column->addLayout(body);
    return body;
}

void SettingsDialog::addLibrary(QBoxLayout* column)
{
    QBoxLayout* body = section(column, tr("Folders of the library"));
    m_places = new QListWidget(this);
    m_places->setObjectName("settingsLibrary");
    m_places->setAccessibleName(tr("Folders of the library"));
    m_places->setMaximumHeight(92);
    body->addWidget(m_places);
    auto* row = new QHBoxLayout;
    row->addWidget(makeButton(
        this, "settingsLibraryAdd", tr("Add…"), tr("A folder of looks that is shared, say, by a team"), [this] {
            const QString folder = QFileDialog::getExistingDirectory(this, tr("Folder of the library"));
            if (!folder.isEmpty())
                m_library.addPlace(folder);
        }));
    m_drop = makeButton(this, "settingsLibraryDrop", tr("Leave out"),
                        tr("The chosen folder is no longer looked into; nothing in it is touched"), [this] {
                            if (const QListWidgetItem* item = m_places->currentItem())
                                m_library.dropPlace(item->data(Qt::UserRole).toString());
                        });
    row->addWidget(m_drop);
    row->addStretch(1);
    body->addLayout(row);
    connect(m_places, &QListWidget::currentRowChanged, this, [this](int at) { m_drop->setEnabled(at > 0); });
    connect(&m_library, &SharedLibrary::changed, this, &SettingsDialog::showPlaces);
    showPlaces();
    if (!m_library.isRead())
        m_library.refresh();
}

/// The first is the user's own, and stays.
void SettingsDialog::showPlaces()
{
    m_places->clear();
    for (const LibraryPlace& place : m_library.places()) {
        const QString folder = text(place.folder);
        const bool isOwn = m_places->count() == 0;
        auto* item = new QListWidgetItem(isOwn              ? tr("Your own: %1").arg(folder)
                                         : !place.isThere   ? tr("%1 (not there)").arg(folder)
                                         : place.isReadOnly ? tr("%1 (only read)").arg(folder)
                                                            : folder,
                                         m_places);
        item->setData(Qt::UserRole, folder);
        item->setToolTip(folder);
    }
    m_drop->setEnabled(false);
}

void SettingsDialog::addScreen(QBoxLayout* column, const QString& screen)
{
    QBoxLayout* body = section(column, tr("Screen"));
    auto* row = new QHBoxLayout;
    auto* words = new QLabel(screen, this);
    words->setWordWrap(true);
    row->addWidget(words, 1);
    row->addWidget(makeButton(this, "settingsScreen", tr("Profiles…"),
                              tr("The profile of this screen, proofs, intents"), [this] { emit screenWanted(); }));
    body->addLayout(row);
    addScale(body);
    auto* still = new QCheckBox(tr("nothing moves by itself"), this);
    still->setObjectName("settingsStill");
    still->setToolTip(tr("No flicker between versions, no menus that fade or slide"));
    still->setChecked(OwnSettings::instance().get().isStill);
    connect(still, &QCheckBox::toggled, this, [this](bool on) { change([on](Settings& s) { s.isStill = on; }); });
    body->addWidget(still);
}

/// Sizes at which the window still has room on this screen.
void SettingsDialog::addScale(QBoxLayout* body)
{
    constexpr QSize kLeastWindow(1280, 720);
    const int now = OwnSettings::instance().get().scalePercent;
    const QScreen* on = QGuiApplication::primaryScreen();
    const double factor = qEnvironmentVariable("QT_SCALE_FACTOR", "1").toDouble();
    auto* scale = new QComboBox(this);
    scale->setObjectName("settingsScale");
    scale->setAccessibleName(tr("Size of words and controls"));
    scale->setToolTip(tr("From the next start on; pictures stay pixel for pixel"));
    for (int percent = 100; percent <= Settings::kLargestScale; percent += 25)
        if (percent == 100 || percent == now ||
            (on && (QSizeF(on->size()) * factor * 100 / percent).toSize().boundedTo(kLeastWindow) == kLeastWindow))
            scale->addItem(tr("%L1 %").arg(percent), percent);
    scale->setCurrentIndex(std::max(0, scale->findData(now)));
    connect(scale, &QComboBox::activated, this, [this, scale] {
        change([percent = scale->currentData().toInt()](Settings& s) { s.scalePercent = percent; });
    });
    auto* row = new QHBoxLayout;
    auto* words = new QLabel(tr("size of words and controls"), this);
    words->setBuddy(scale);
    row->addWidget(words);
    row->addWidget(scale);
    row->addStretch(1);
    body->addLayout(row);
}

void SettingsDialog::addDelivery(QBoxLayout* column)
{
    const Settings& now = OwnSettings::instance().get();
    QBoxLayout* body = section(column, tr("In what is handed over"));
    auto* form = new QFormLayout;
    const auto line = [&](const char* name, const QString& label, const std::string& value,
                          std::string Settings::*field) {
        auto* edit = new QLineEdit(text(value), this);
        edit->setObjectName(name);
        edit->setAccessibleName(label);
        edit->setToolTip(tr("Said by jobs that say nothing else"));
        connect(edit, &QLineEdit::editingFinished, this,
                [this, edit, field] { change([&](Settings& s) { s.*field = edit->text().trimmed().toStdString(); }); });
        form->addRow(label, edit);
    };
    line("settingsAuthor", tr("author"), now.author, &Settings::author);
    line("settingsRights", tr("rights"), now.rights, &Settings::rights);
    auto* units = new QComboBox(this);
    units->setObjectName("settingsUnits");
    units->setAccessibleName(tr("Prints in"));
    units->addItems({tr("millimetres"), tr("inches")});
    units->setCurrentIndex(now.inches ? 1 : 0);
    connect(units, &QComboBox::currentIndexChanged, this,
            [this](int at) { change([at](Settings& s) { s.inches = at == 1; }); });
    form->addRow(tr("prints in"), units);
    body->addLayout(form);
}

void SettingsDialog::addReminders(QBoxLayout* column)
{
    const Settings& now = OwnSettings::instance().get();
    QBoxLayout* body = section(column, tr("Reminders"));
    auto* row = new QHBoxLayout;
    auto* words = new QLabel(tr("rest the eyes after"), this);
    auto* minutes = new QSpinBox(this);
    minutes->setObjectName("settingsRest");
    minutes->setAccessibleName(tr("Minutes at work before a rest is proposed"));
    minutes->setButtonSymbols(QAbstractSpinBox::NoButtons);
    minutes->setRange(0, Settings::kLongestRest);
    minutes->setSingleStep(5);
    minutes->setSuffix(tr(" min"));
    minutes->setSpecialValueText(tr("never"));
    minutes->setValue(now.restMinutes);
    words->setBuddy(minutes);
    connect(minutes, &QSpinBox::valueChanged, this,
            [this](int value) { change([value](Settings& s) { s.restMinutes = value; }); });
    row->addWidget(words);
    row->addWidget(minutes);
    row->addStretch(1);
    body->addLayout(row);
    auto* second = new QCheckBox(tr("frames put aside, once they can be seen fresh"), this);
    second->setObjectName("settingsSecondLook");
    second->setChecked(now.secondLook);
    connect(second, &QCheckBox::toggled, this, [this](bool on) { change([on](Settings& s) { s.secondLook = on; }); });
    body->addWidget(second);
}

void SettingsDialog::change(const std::function<void(Settings&)>& change)
{
    Settings settings = OwnSettings::instance().get();
    change(settings);
    const Status kept = OwnSettings::instance().set(settings);
    m_fault->setText(kept ? QString() : tr("This holds until the program ends: %1").arg(text(kept.error().message())));
}

}  // namespace amber
