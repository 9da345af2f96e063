#include "app/places/handover/send_dialog.h"

#include "app/settings/own_settings.h"
#include "app/theme/controls.h"

#include <QtWidgets>

namespace amber {

QLayout* SendDialog::makeForm()
{
    auto* form = new QGridLayout;
    form->setHorizontalSpacing(12), form->setVerticalSpacing(8);
    form->setColumnStretch(1, 1);
    const auto add = [&](const QString& label, QWidget* control, const char* name) {
        auto* words = new QLabel(label, this);
        words->setProperty("quiet", true);
        words->setBuddy(control);
        control->setObjectName(name), control->setAccessibleName(label);
        form->addWidget(words, form->rowCount(), 0, Qt::AlignTop);
        form->addWidget(control, form->rowCount() - 1, 1);
    };
    const Frame* frame = m_document.frame(m_document.selection().frameInHand());
    m_which->addItem(frame ? tr("only %1").arg(titleOf(*frame)) : tr("the frame in hand"));
    m_which->addItem(tr("the frame in hand and its companions"));
    m_which->addItem(tr("frames with open pins"));
    m_which->addItem(tr("all frames in use"));
    add(tr("frames"), m_which, "sendWhich");
    fillSteps();
    add(tr("look"), m_steps, "sendSteps");
    m_note->setPlaceholderText(tr("what is to be done"));
    m_note->setTabChangesFocus(true);
    m_note->setMaximumHeight(96);
    add(tr("note"), m_note, "sendNote");
    m_minutes->setRange(0, 1000), m_minutes->setDecimals(0);
    m_minutes->setSpecialValueText(tr("not said")), m_minutes->setSuffix(tr(" min each"));
    m_minutes->setButtonSymbols(QAbstractSpinBox::NoButtons);
    add(tr("may take"), m_minutes, "sendMinutes");
    add(tr("folder"), m_folder, "sendFolder");
    return form;
}

void SendDialog::fillSteps()
{
    m_steps->addItem(tr("balanced only: the whole look follows when it is back"));
    const auto& steps = m_document.looks().look().steps;
    for (std::size_t i = 0; i < steps.size(); ++i)
        m_steps->addItem(i + 1 == steps.size() ? tr("the whole look")
                                               : tr("up to step %1, %2").arg(i + 1).arg(stepTitle(steps[i])));
    m_steps->setSizeAdjustPolicy(QComboBox::AdjustToMinimumContentsLengthWithIcon);
    m_steps->setMinimumContentsLength(20);
}

SendDialog::SendDialog(Document& document, const QString& folder, QWidget* parent)
    : QDialog(parent), m_document(document), m_which(new QComboBox(this)), m_steps(new QComboBox(this)),
      m_note(new QPlainTextEdit(this)), m_minutes(new QDoubleSpinBox(this)), m_folder(new QLineEdit(folder, this)),
      m_words(new QLabel(this))
{
    setObjectName("sendDialog");
    setWindowTitle(tr("Send for retouching"));
    resize(560, 430);
    auto* form = makeForm();
    m_words->setWordWrap(true), m_words->setProperty("quiet", true), m_words->setObjectName("sendWords");
    m_send = makeButton(this, "sendStart", tr("Send"), {}, [this] { accept(); });
    m_send->setDefault(true);
    auto* buttons = new QHBoxLayout;
    buttons->addStretch(1);
    buttons->addWidget(makeButton(this, "sendLeave", tr("Leave"), {}, [this] { reject(); }));
    buttons->addWidget(m_send);
    auto* layout = new QVBoxLayout(this);
    layout->setContentsMargins(16, 14, 16, 14);
    layout->setSpacing(10);
    layout->addLayout(form);
    layout->addWidget(m_words);
    layout->addStretch(1);
    layout->addLayout(buttons);
    connect(m_which, &QComboBox::currentIndexChanged, this, &SendDialog::refresh);
    connect(m_folder, &QLineEdit::textChanged, this, &SendDialog::refresh);
    refresh();
}

std::vector<FrameId> SendDialog::frames() const
{
    const FrameId inHand = m_document.selection().frameInHand();
    std::vector<FrameId> all;
    for (const Frame& frame : m_document.frames()) {
        const auto& companions = m_document.selection().companions();
        const bool isCompanion = std::find(companions.begin(), companions.end(), frame.id) != companions.end();
        const bool goes[] = {frame.id == inHand, frame.id == inHand || isCompanion,
                             !m_document.job().openPins(frame.id).empty(), !m_document.job().frame(frame.id).isUnused};
        if (goes[std::max(0, m_which->currentIndex())])
            all.push_back(frame.id);
    }
    return all;
}

void SendDialog::refresh()
{
    const auto count = frames().size();
    const QString files = count == 1 ? tr("one file") : tr("%L1 files").arg(count);
    m_words->setText(count == 0 ? tr("No frame is like that.")
                                : tr("%1, TIFF with 16 bits in ProPhoto, and the list of what is to be done, as pages "
                                     "and as data. Files that come back are known by what is in them.")
                                      .arg(files));
    m_send->setEnabled(count > 0 && !m_folder->text().trimmed().isEmpty());
}

SendChoices SendDialog::choices() const
{
    SendChoices choices;
    choices.frames = frames();
    choices.steps = static_cast<std::size_t>(std::max(0, m_steps->currentIndex()));
    choices.wholeLook = m_steps->currentIndex() > 0 && m_steps->currentIndex() + 1 == m_steps->count();
    choices.note = m_note->toPlainText().trimmed().toStdString(), choices.minutes = m_minutes->value();
    const HandOver& kept = m_document.desk().handOver;
    const Settings& own = OwnSettings::instance().get();
    choices.author = kept.author.empty() ? own.author : kept.author;
    choices.rights = kept.rights.empty() ? own.rights : kept.rights;
    return choices;
}

QString SendDialog::folder() const { return m_folder->text().trimmed(); }

}  // namespace amber
