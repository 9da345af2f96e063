#include "app/guide/is_it_so.h"

#include "app/task/task.h"
#include "app/theme/controls.h"

#include <QtWidgets>

namespace amber {
namespace {

/// The title of a kind of step.
template <std::size_t I = 0>
QString kindTitle(const std::string& kind)
{
    if constexpr (I + 1 >= std::variant_size_v<StepKinds>) {
        return text(kind);
    } else {
        Step step;
        step.parameters = std::variant_alternative_t<I, StepKinds>{};
        return typeOf(step) == kind ? stepTitle(step) : kindTitle<I + 1>(kind);
    }
}

}  // namespace

IsItSoSheet::IsItSoSheet(Document& document, std::function<std::optional<SayingInput>()> input, QWidget* parent)
    : QDialog(parent), m_document(document), m_input(std::move(input)), m_task(new Task(this)),
      m_about(new QComboBox(this)), m_frame(new QLabel(this)), m_body(new QWidget(this)),
      m_notes(new QVBoxLayout(m_body))
{
    setObjectName("isItSoSheet");
    setWindowTitle(tr("Is it so?"));
    m_about->setObjectName("isItSoAbout"), m_about->setAccessibleName(tr("About which step"));
    m_about->addItem(tr("all notes"), QString());
    std::set<QString> kinds;
    for (const SayingNote& note : sayingNotes())
        kinds.insert(note.steps.begin(), note.steps.end());
    for (const QString& kind : kinds)
        m_about->addItem(kindTitle(kind.toStdString()), kind);
    m_frame->setObjectName("isItSoFrame"), m_frame->setProperty("quiet", true);
    m_notes->setContentsMargins(0, 0, 8, 0);
    m_notes->setSpacing(3);
    auto* head = new QHBoxLayout;
    head->addWidget(m_about), head->addWidget(m_frame, 1);
    head->addWidget(makeButton(this, "isItSoClose", tr("Close"), {}, [this] { accept(); }));
    auto* layout = new QVBoxLayout(this);
    layout->setContentsMargins(20, 16, 20, 16);
    layout->setSpacing(12);
    layout->addLayout(head), layout->addWidget(makeScroll(m_body, this), 1);
    resize(680, 620);
    connect(m_about, &QComboBox::currentIndexChanged, this, &IsItSoSheet::fill);
    connect(&document.selection(), &Selection::frameChosen, this, &IsItSoSheet::measure);
    connect(&document.looks(), &LooksInHand::revisionsChanged, this, &IsItSoSheet::measure);
}

void IsItSoSheet::show(const std::string& stepKind)
{
    const QSignalBlocker blocker(m_about);
    m_about->setCurrentIndex(std::max(0, m_about->findData(text(stepKind))));
    fill();
    QDialog::show();
    raise();
    activateWindow();
    measure();
}

bool IsItSoSheet::isMeasuring() const { return m_task->isRunning() || m_isStale; }

void IsItSoSheet::fill()
{
    while (QLayoutItem* item = m_notes->takeAt(0)) {
        if (item->widget())
            item->widget()->hide(), item->widget()->deleteLater();
        delete item;
    }
    m_measured.clear();
    for (const SayingNote& note : sayingNotes()) {
        if (!isAbout(note, m_about->currentData().toString().toStdString()))
            continue;
        const auto add = [&](const QString& words, const char* property) {
            auto* label = new QLabel(words, m_body);
            if (property)
                label->setProperty(property, true);
            label->setWordWrap(true);
            m_notes->addWidget(label);
            return label;
        };
        add(note.claim, "strong");
        QLabel* measured = add(tr("Measuring…"), nullptr);
        measured->setObjectName(QStringLiteral("saying-") + QLatin1String(note.id));
        m_measured.emplace_back(note.id, measured);
        add(note.source, "quiet");
        m_notes->addSpacing(10);
    }
    m_notes->addStretch(1);
    measure();
}

void IsItSoSheet::measure()
{
    if (!isVisible())
        return;
    m_isStale = m_task->isRunning();
    if (m_isStale)
        return;
    const auto input = m_input();
    const Frame* frame = m_document.frame(m_document.selection().frameInHand());
    m_frame->setText(input && frame ? tr("measured on %1").arg(titleOf(*frame)) : tr("No frame to measure on."));
    if (!input)
        return;
    std::vector<std::string> ids;
    for (const auto& [id, label] : m_measured)
        ids.push_back(id);
    const auto made = std::make_shared<std::map<std::string, QString>>();
    m_task->start(
        [made, ids, in = std::make_shared<const SayingInput>(*input)](const Task::Progress&,
                                                                      const CancelToken& cancel) {
            for (const std::string& id : ids)
                if (!cancel.isCancelled())
                    (*made)[id] = measuredWords(id, *in);
        },
        [this, made](bool) {
            bool isWhole = true;
            for (const auto& [id, label] : m_measured)
                if (const auto found = made->find(id); found != made->end())
                    label->setText(found->second);
                else
                    isWhole = false;
            if (m_isStale || !isWhole)
                measure();
        });
}

}  // namespace amber
