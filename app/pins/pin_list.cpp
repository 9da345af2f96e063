#include "app/pins/pin_list.h"

#include "app/bench/step_words.h"
#include "app/theme/controls.h"
#include "core/base/utc_time.h"

#include <QtWidgets>

namespace amber {

PinList::PinList(Document& document, QWidget* parent) : QTableWidget(parent), m_document(document)
{
    setObjectName("pins"), setAccessibleName(tr("Pins"));
    setColumnCount(5);
    setHorizontalHeaderLabels({tr("Done"), tr("On"), tr("From"), tr("What"), tr("About")});
    verticalHeader()->hide();
    setShowGrid(false);
    setCornerButtonEnabled(false);
    for (auto* corner : findChildren<QAbstractButton*>())
        corner->setObjectName("pinsCorner"), corner->setAccessibleName(tr("All pins"));
    setSelectionBehavior(QAbstractItemView::SelectRows);
    setSelectionMode(QAbstractItemView::SingleSelection);
    horizontalHeader()->setDefaultAlignment(Qt::AlignLeft | Qt::AlignVCenter);
    horizontalHeader()->setSectionResizeMode(3, QHeaderView::Stretch);
    horizontalHeader()->setHighlightSections(false);
    setEditTriggers(QAbstractItemView::NoEditTriggers);
    const int widths[] = {54, 190, 70, 0, 190};
    for (const int i : {0, 1, 2, 4})
        setColumnWidth(i, widths[i]);
    connect(this, &QTableWidget::itemChanged, this, [this](QTableWidgetItem* item) {
        if (!m_isFilling && item->column() == 0 && item->row() < static_cast<int>(m_shown.size()))
            setDone(m_shown[static_cast<std::size_t>(item->row())], item->checkState() == Qt::Checked);
    });
    connect(this, &QTableWidget::cellActivated, this, [this](int row, int) {
        if (row < static_cast<int>(m_shown.size()))
            emit wanted(m_shown[static_cast<std::size_t>(row)]);
    });
    for (const auto changed : {&Document::opened, &Document::pinsChanged, &Document::framesChanged})
        connect(&document, changed, this, &PinList::refresh);
}

void PinList::showAll(bool on)
{
    m_isAll = on;
    refresh();
}

PinId PinList::chosen() const
{
    const int row = currentRow();
    return row >= 0 && row < static_cast<int>(m_shown.size()) ? m_shown[static_cast<std::size_t>(row)] : 0;
}

void PinList::refresh()
{
    m_isFilling = true;
    const PinId before = chosen();
    m_shown.clear();
    for (const auto& [id, pin] : m_document.job().pins)
        if (!pin.isDone || m_isAll)
            m_shown.push_back(id);
    setRowCount(static_cast<int>(m_shown.size()));
    const QString from[] = {tr("artist"), tr("check"), tr("client")};
    for (int i = 0; i < rowCount(); ++i) {
        const PinId id = m_shown[static_cast<std::size_t>(i)];
        const Pin& pin = m_document.job().pins.at(id);
        auto* done = new QTableWidgetItem;
        done->setFlags(Qt::ItemIsEnabled | Qt::ItemIsUserCheckable | Qt::ItemIsSelectable);
        done->setCheckState(pin.isDone ? Qt::Checked : Qt::Unchecked);
        setItem(i, 0, done);
        const QString cells[] = {whereWords(m_document, pin), from[static_cast<int>(pin.from)],
                                 pin.text.empty() ? tr("approved") : oneLine(text(pin.text)), text(pin.about)};
        for (int k = 0; k < 4; ++k) {
            setItem(i, k + 1, new QTableWidgetItem(cells[k]));
            item(i, k + 1)->setToolTip(cells[k]);
        }
        if (id == before)
            setCurrentCell(i, 3);
    }
    m_isFilling = false;
    emit refreshed();
}

void PinList::setDone(PinId id, bool isDone)
{
    Job after = m_document.job();
    Pin& pin = after.pins.at(id);
    pin.isDone = isDone;
    m_document.commit(after, (isDone ? tr("Pin done: %1") : tr("Pin opened again: %1")).arg(text(pin.text)));
}

void PinList::remove(PinId pin)
{
    Job after = m_document.job();
    if (after.pins.erase(pin) > 0)
        m_document.commit(after, tr("Pin taken away"));
}

int stepOf(const Look& look, const PinnedStep& step)
{
    int which = step.which;
    for (std::size_t i = 0; i < look.steps.size(); ++i)
        if (typeOf(look.steps[i]) == step.kind && which-- == 0)
            return static_cast<int>(i);
    return -1;
}

QString whereWords(const Document& document, const Pin& pin)
{
    const Frame* frame = document.frame(pin.frame);
    const QString name = frame ? titleOf(*frame) : QString();
    if (!pin.step)
        return pin.place ? PinList::tr("a place of %1").arg(name) : name;
    const auto look = document.looks().lookOfEntry(pin.step->look);
    const int step = look ? stepOf(*look, *pin.step) : -1;
    if (step < 0)
        return PinList::tr("a step that is gone (%1)").arg(text(pin.step->kind));
    return PinList::tr("step %1 %2 of %3")
        .arg(step + 1)
        .arg(stepTitle(look->steps[static_cast<std::size_t>(step)]), text(look->name));
}

void askPin(Document& document, std::optional<Spot> place, std::optional<int> step, QWidget* parent)
{
    if (!document.isOpen())
        return;
    const Look& look = document.looks().look();
    Pin pin;
    pin.frame = document.selection().frameInHand(), pin.place = place, pin.made = utcNow();
    pin.about = look.name;
    const auto& looks = document.job().looks;
    if (const auto found = looks.find(document.looks().lookId()); found != looks.end())
        pin.revision = found->second.revision;
    if (step && *step >= 0 && *step < static_cast<int>(look.steps.size())) {
        const std::string kind = typeOf(look.steps[static_cast<std::size_t>(*step)]);
        int which = 0;
        for (int i = 0; i < *step; ++i)
            which += typeOf(look.steps[static_cast<std::size_t>(i)]) == kind;
        pin.step = PinnedStep{document.looks().lookId(), kind, which};
    }
    const auto words = askLine(parent, {"pinDialog",
                                        PinList::tr("Pin on %1").arg(whereWords(document, pin)),
                                        PinList::tr("What is to be done or decided here?"),
                                        {},
                                        PinList::tr("Set the pin")});
    if (!words || words->isEmpty())
        return;
    pin.text = words->toStdString();
    Job after = document.job();
    after.pins[after.nextPin()] = pin;
    document.commit(after, PinList::tr("Pin set: %1").arg(*words));
}

}  // namespace amber
