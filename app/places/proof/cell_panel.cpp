#include "app/places/proof/cell_panel.h"

#include "app/display/screen_view.h"
#include "app/places/proof/consistency_model.h"
#include "app/theme/controls.h"
#include "app/theme/theme.h"
#include "app/wall/picture_view.h"
#include "core/engine/render_plan.h"
#include "core/image/resize.h"

#include <QtWidgets>

namespace amber {

/// The two colours of a cell, edge to edge: that is where a difference shows.
class CellPanel::Patches : public QWidget {
public:
    explicit Patches(QWidget* parent) : QWidget(parent)
    {
        setObjectName("cellPatches");
        setFixedHeight(64);
    }
    void show(const std::optional<LinearRgb>& lead, const std::optional<LinearRgb>& here)
    {
        m_lead = lead, m_here = here;
        update();
    }

protected:
    void paintEvent(QPaintEvent*) override
    {
        QPainter painter(this);
        painter.fillRect(rect(), theme::kWall);
        if (!m_lead || !m_here)
            return;
        const QRect area = rect().adjusted(8, 8, -8, -24);
        painter.fillRect(QRect(area.left(), area.top(), area.width() / 2, area.height()), screenColour(*m_lead));
        painter.fillRect(
            QRect(area.left() + area.width() / 2, area.top(), area.width() - area.width() / 2, area.height()),
            screenColour(*m_here));
        painter.setPen(theme::kWallInk);
        painter.setFont(theme::font(13));
        const QRect words(area.left(), area.bottom() + 2, area.width(), 18);
        painter.drawText(words, Qt::AlignLeft | Qt::AlignVCenter, tr("lead"));
        painter.drawText(words, Qt::AlignRight | Qt::AlignVCenter, tr("this frame"));
    }

private:
    std::optional<LinearRgb> m_lead, m_here;
};

CellPanel::CellPanel(Document& document, ProxyStore& proxies, ConsistencyModel& model, QWidget* parent)
    : QWidget(parent), m_document(document), m_proxies(proxies), m_model(&model),
      m_hereSlot(new RenderSlot(proxies.queue(), RenderQueue::Priority::InHand, this)),
      m_leadSlot(new RenderSlot(proxies.queue(), RenderQueue::Priority::InHand, this))
{
    setObjectName("cellPanel");
    setFixedWidth(340);
    QWidget* wall = makeCellWall();
    m_cellWords = new QLabel(this);
    m_cellWords->setObjectName("cellWords");
    m_cellWords->setProperty("strong", true);
    m_cellWords->setWordWrap(true);
    m_cause = new QLabel(this);
    m_cause->setObjectName("cellCause");
    m_cause->setWordWrap(true);
    makeCellButtons();
    connect(m_here, &PictureView::marked, this, &CellPanel::correctPlace);
    connect(m_here, &PictureView::resized, this, &CellPanel::refresh);
    connect(&ScreenView::instance(), &ScreenView::changed, this, &CellPanel::refresh);
    auto* buttons = new QHBoxLayout;
    buttons->addWidget(m_confirm);
    buttons->addWidget(m_correct);
    auto* layout = new QVBoxLayout(this);
    layout->setContentsMargins(0, 0, 0, 0);
    layout->setSpacing(0);
    layout->addWidget(wall, 1);
    layout->addWidget(m_patches);
    auto* words = new QVBoxLayout;
    words->setContentsMargins(14, 8, 14, 12);
    words->setSpacing(6);
    words->addWidget(m_cellWords);
    words->addWidget(m_cause);
    words->addLayout(buttons);
    words->addWidget(m_cure);
    layout->addLayout(words);
}

QWidget* CellPanel::makeCellWall()
{
    m_patches = new Patches(this);
    m_here = new PictureView(this);
    m_here->setObjectName("cellHere");
    m_lead = new PictureView(this);
    m_lead->setObjectName("cellLead");
    m_here->setInteractive(true);
    m_lead->setInteractive(true);
    auto* wall = new QWidget(this);
    wall->setObjectName("cellWall");
    wall->setAttribute(Qt::WA_StyledBackground);
    auto* pictures = new QVBoxLayout(wall);
    pictures->setContentsMargins(10, 4, 10, 8);
    pictures->setSpacing(6);
    pictures->addWidget(m_here, 1);
    pictures->addWidget(m_lead, 1);
    return wall;
}

void CellPanel::makeCellButtons()
{
    m_confirm = makeButton(this, "placeConfirm", tr("Confirm place"),
                           tr("This is the thing: its place is kept and counts as evidence for balance"),
                           [this] { emit confirmed(); });
    m_correct = makeButton(this, "placeCorrect", tr("Correct place"),
                           tr("Click, or drag a region, on the picture of this frame"),
                           [this] { m_here->setMarking(!m_here->isMarking()); });
    m_cure = makeButton(this, "takeCure", tr("Take the cure"),
                        tr("Adds it to this frame's balance; Ctrl+Z takes it back"), [this] { emit cureTaken(); });
}

void CellPanel::show(const QModelIndex& cell)
{
    m_cell = cell;
    refresh();
}

QString CellPanel::causeWords(const Outlier& outlier)
{
    switch (outlier.cause) {
    case Outlier::Cause::Exposure:
        return outlier.cure.isIdentity()        ? tr("the frame is lighter or darker")
               : outlier.cure.exposureStops > 0 ? tr("the whole frame is darker")
                                                : tr("the whole frame is lighter");
    case Outlier::Cause::White:
        return outlier.cure.kelvin > Balance{}.kelvin ? tr("the whole frame is cooler")
                                                      : tr("the whole frame is warmer");
    case Outlier::Cause::ThisThingOnly:
        return tr("only this differs: other light on it, or another thing");
    case Outlier::Cause::Clipped:
        return tr("clipped in the frame as it came: what is lost cannot be brought back");
    case Outlier::Cause::Doubtful:
        return tr("perhaps not the same thing: look at its place");
    }
    return {};
}

QString CellPanel::cureWords(const Outlier& outlier)
{
    if (outlier.cure.isIdentity())
        return {};
    QStringList words;
    if (std::abs(outlier.cure.exposureStops) > 0.005)
        words << tr("%1 stops").arg(theme::number(outlier.cure.exposureStops, 2));
    if (std::abs(outlier.cure.kelvin - Balance{}.kelvin) > 5)
        words << tr("white %1 K").arg(theme::number(outlier.cure.kelvin, 0));
    return tr("Cure: %1; %2 would be left").arg(words.join(", "), theme::number(outlier.afterCure, 1));
}

const Outlier* CellPanel::outlier() const
{
    const QModelIndex index = m_cell;
    if (!index.isValid() || index.column() == 0 || index.row() >= m_model->rowCount())
        return nullptr;
    const std::int64_t frame = m_model->readings()[static_cast<std::size_t>(index.row())].frame;
    const auto& all = m_model->table().outliers;
    const auto found = std::find_if(all.begin(), all.end(), [&](const Outlier& o) {
        return o.frame == frame && static_cast<int>(o.column) == index.column() - 1;
    });
    return found == all.end() ? nullptr : &*found;
}

bool CellPanel::render(PictureView& view, RenderSlot& slot, FrameId id, const Balance& cure)
{
    const Frame* frame = m_document.frame(id);
    const auto proxy = frame ? m_proxies.proxy(id, frame->path) : nullptr;
    const QSize space = view.pictureSpace();
    if (!proxy || space.isEmpty())
        return false;
    const auto plan = RenderPlan::compile(m_document.looks().lookOf(id));
    const Response response = m_document.balances().responseOf(m_document.balances().of(id));
    const auto work = [proxy, space, plan, response, cure,
                       areas = m_document.areasOf(id, proxy->sourceRatio)](const CancelToken&) {
        Image small = reducedToFit(proxy->image.view(), space.width(), space.height());
        applyBalance(cure, response, small.mutableView());
        if (plan)
            amber::render(*plan, small.view(), small.mutableView(), {},
                          {RenderOptions::Stage::All, std::max(proxy->info.width, proxy->info.height), 0, 0,
                           masksOf(areas, *plan, small.view())});
        return toScreen(small.view());
    };
    slot.run(work, [this, &view](const QImage& picture) { view.setImages(++m_shown, picture, picture); });
    return true;
}

void CellPanel::showNoCell(const QString& words)
{
    m_cellWords->setText(words);
    m_cause->clear();
    m_patches->show({}, {});
    m_hereSlot->drop(), m_leadSlot->drop();
    m_here->clear();
    m_lead->clear();
}

QString CellPanel::distanceWords(const ConsistencyCell& cell, int column, bool isKey) const
{
    if (!cell.isMeasured)
        return tr("%1 was not found on this frame.").arg(m_model->columnTitle(column));
    return tr("%1: %2 from its lead, as it came %3")
        .arg(m_model->columnTitle(column),
             isKey ? tr("ΔE %1").arg(theme::number(cell.after, 1)) : tr("%1 L*").arg(theme::number(cell.after, 1)),
             theme::number(cell.before, 1));
}

QString CellPanel::causeOfCell(const ConsistencyCell& cell, const FrameReading& here, std::size_t k) const
{
    const bool isKey = k < m_model->keys().size();
    QStringList words;
    if (cell.isMeasured && isKey)
        words << tr("Tolerance %1.").arg(theme::number(m_model->keys()[k].tolerance, 1));
    if (cell.toTarget)
        words << tr("%1 from its target.").arg(theme::number(*cell.toTarget, 1));
    if (isPlaced(here, k) && here.doubt[k] > 0)
        words << tr("Found again, %1 % sure; not confirmed.").arg(std::lround(100 * (1 - here.doubt[k])));
    if (const Outlier* off = outlier())
        words << tr("Likely: %1.").arg(causeWords(*off)) << cureWords(*off);
    return words.join(' ');
}

bool CellPanel::isPlaced(const FrameReading& reading, std::size_t k) const
{
    return k < m_model->keys().size() && k < reading.places.size() && reading.places[k].right > reading.places[k].left;
}

void CellPanel::showInPlace(PictureView& view, RenderSlot& slot, const FrameReading& reading, std::size_t k,
                            const QString& caption, const Balance& cure)
{
    view.setCaption(caption);
    if (!render(view, slot, reading.frame, cure)) {
        slot.drop();
        view.clear();
        view.setMessage(tr("Reading…"));
        return;
    }
    std::vector<PictureView::Mark> marks;
    if (isPlaced(reading, k))
        marks.push_back({reading.places[k], m_model->columnTitle(static_cast<int>(k) + 1), true});
    view.setMarks(marks, {});
}

void CellPanel::refresh()
{
    const QModelIndex index = m_cell;
    const bool chosen = index.isValid() && index.column() > 0 && index.row() < m_model->rowCount();
    const FrameReading* here = chosen ? &m_model->readings()[static_cast<std::size_t>(index.row())] : nullptr;
    const FrameReading* lead = here ? m_model->leadOf(*here) : nullptr;
    const auto k = static_cast<std::size_t>(std::max(0, index.column() - 1));
    const bool isKey = chosen && k < m_model->keys().size();
    const Outlier* off = outlier();
    const bool cured = off && !off->cure.isIdentity();
    m_confirm->setEnabled(chosen && isPlaced(*here, k) && here->doubt[k] > 0);
    m_correct->setEnabled(isKey && m_model->keys()[k].frame != here->frame);
    m_cure->setVisible(cured);
    if (!chosen || !lead)
        return showNoCell(chosen ? tr("This light has no lead that can be read.")
                                 : tr("Choose a cell to see both colours, side by side and in place."));
    const ConsistencyCell& cell = m_model->table().rows[static_cast<std::size_t>(index.row())][k];
    m_cellWords->setText(distanceWords(cell, index.column(), isKey));
    m_cause->setText(causeOfCell(cell, *here, k));
    if (isKey)
        m_patches->show(lead->finished[k], here->finished[k]);
    else
        m_patches->show({}, {});
    const Frame *frame = m_document.frame(here->frame), *leadFrame = m_document.frame(lead->frame);
    const QString title = frame ? titleOf(*frame) : QString();
    showInPlace(*m_here, *m_hereSlot, *here, k, cured && frame ? tr("%1 · with the cure").arg(title) : title,
                cured ? off->cure : Balance{});
    showInPlace(*m_lead, *m_leadSlot, *lead, k, leadFrame ? tr("lead: %1").arg(titleOf(*leadFrame)) : QString(), {});
}

void CellPanel::correctPlace(const QRectF& place)
{
    m_here->setMarking(false);
    const QImage picture = m_here->image();
    emit placed(place.isEmpty()
                    ? pointPlace(place.x(), place.y(), std::max(1, picture.width()), std::max(1, picture.height()))
                    : Region{place.left(), place.top(), place.right(), place.bottom()});
}

}  // namespace amber
