#include "app/places/match/fit_coverage.h"

#include "app/document/frame_model.h"
#include "app/theme/theme.h"
#include "app/words/words.h"
#include "core/colour/rgb_space.h"

#include <QtWidgets>

namespace amber {

FrameCertainty::State FrameCertainty::state() const
{
    constexpr double kMost = 0.8, kHalf = 0.5;
    return covered >= kMost ? State::Covered : covered >= kHalf ? State::InPart : State::Guess;
}

QString FrameCertainty::words() const
{
    const QString share = QString::number(std::lround(100 * covered));
    switch (state()) {
    case State::Covered:
        return QCoreApplication::translate("FitCoverage", "covered, %1 %").arg(share);
    case State::InPart:
        return QCoreApplication::translate("FitCoverage", "in part, %1 %").arg(share);
    case State::Guess:
        return QCoreApplication::translate("FitCoverage", "a guess, %1 %").arg(share);
    }
    return {};
}

CoverageModel::CoverageModel(Document& document, FrameModel& frames, RenderQueue& queue, QObject* parent)
    : QAbstractListModel(parent), m_document(document), m_frames(frames),
      m_slot(new RenderSlot(queue, RenderQueue::Priority::Sheet, this))
{
    const auto anew = [this] {
        beginResetModel();
        endResetModel();
        if (!m_slot->isBusy())
            next();
    };
    connect(&frames, &QAbstractItemModel::modelReset, this, anew);
    connect(&frames, &FrameModel::progressed, this, [this] {
        if (!m_slot->isBusy())
            next();
    });
    // Of a frame whose light is being moved only that one is measured anew.
    connect(&document.balances(), &Balances::changed, this, [this](FrameId frame) {
        if (!m_fit)
            return;
        m_known.erase(frame);
        m_slot->drop();
        next();
    });
    connect(&document.selection(), &Selection::frameChosen, this,
            [this] { emit dataChanged(index(0), index(std::max(0, rowCount() - 1))); });
}

void CoverageModel::show(const std::shared_ptr<const PairFit>& fit)
{
    if (fit == m_fit)
        return;
    m_slot->drop();
    m_fit = fit;
    m_known.clear();
    beginResetModel();
    endResetModel();
    next();
}

int CoverageModel::rowCount(const QModelIndex&) const
{
    return m_fit && m_document.isOpen() ? static_cast<int>(m_document.frames().size()) : 0;
}

FrameId CoverageModel::frameAt(int row) const { return m_document.frames()[static_cast<std::size_t>(row)].id; }
bool CoverageModel::isInHand(int row) const { return frameAt(row) == m_document.selection().frameInHand(); }
QPixmap CoverageModel::picture(int row) const { return m_frames.thumbnail(frameAt(row)); }

const FrameCertainty* CoverageModel::of(int row) const
{
    const auto found = m_known.find(frameAt(row));
    return found == m_known.end() ? nullptr : &found->second;
}

/// A frame's thumbnail in its light, as the look will have it.
Image CoverageModel::seen(const Frame& frame) const
{
    const QImage thumbnail = m_frames.thumbnailImage(frame.id).convertToFormat(QImage::Format_RGB888);
    Image picture(thumbnail.width(), thumbnail.height());
    for (int y = 0; y < thumbnail.height(); ++y) {
        const uchar* codes = thumbnail.constScanLine(y);
        float* out = picture.mutableView().row(y);
        for (int x = 0; x < thumbnail.width(); ++x, codes += 3, out += 3) {
            const LinearRgb c = decode(RgbSpace::Srgb, {codes[0] / 255.0, codes[1] / 255.0, codes[2] / 255.0});
            out[0] = static_cast<float>(c.r), out[1] = static_cast<float>(c.g), out[2] = static_cast<float>(c.b);
        }
    }
    const FrameBalance balance = m_document.balances().of(frame.id);
    applyBalance(balance.light, m_document.job().responseOf(balance), picture.mutableView());
    return picture;
}

void CoverageModel::next()
{
    for (int row = 0; row < rowCount(); ++row) {
        const Frame& frame = m_document.frames()[static_cast<std::size_t>(row)];
        if (m_known.count(frame.id) || !m_frames.factsOf(frame.id))
            continue;
        m_slot->run(
            [fit = m_fit, picture = seen(frame)](const CancelToken&) {
                return FrameCertainty{coverage(fit->seen, picture.view()), foretoldError(fit->fit, picture.view())};
            },
            [this, row, id = frame.id](const FrameCertainty& certainty) {
                m_known[id] = certainty;
                if (row < rowCount())
                    emit dataChanged(index(row), index(row));
                next();
            });
        return;
    }
    emit told();
}

QVariant CoverageModel::data(const QModelIndex& index, int role) const
{
    const Frame* frame = index.row() < rowCount() ? m_document.frame(frameAt(index.row())) : nullptr;
    if (!frame)
        return {};
    const FrameCertainty* known = of(index.row());
    const QString error = known ? tr("likely ΔE %1 from the treatment; of nine such frames in ten below %2")
                                      .arg(theme::number(known->error.mean, 1), theme::number(known->error.bound, 1))
                                : tr("not measured yet");
    switch (role) {
    case Qt::DisplayRole:
        return titleOf(*frame);
    case Qt::ToolTipRole:
    case Qt::AccessibleTextRole:
        return QStringList{titleOf(*frame), known ? known->words() : QString(), error}.join(QStringLiteral(": "));
    default:
        return {};
    }
}

void CoverageDelegate::paint(QPainter* painter, const QStyleOptionViewItem& option, const QModelIndex& index) const
{
    constexpr int kInset = 5, kPicture = 56, kLine = 16;
    using State = FrameCertainty::State;
    painter->save();
    painter->setRenderHint(QPainter::SmoothPixmapTransform);
    const QRect cell = option.rect.adjusted(kInset, 3, -kInset, -3);
    const FrameCertainty* known = m_model.of(index.row());
    const bool isGuess = known && known->state() == State::Guess, isPart = known && known->state() == State::InPart;
    painter->fillRect(cell, isGuess ? theme::kHairline : isPart ? theme::kPressed : theme::kRaised);
    const QRect place(cell.left(), cell.top(), cell.width(), kPicture);
    if (const QPixmap picture = m_model.picture(index.row()); !picture.isNull()) {
        const QSize size = picture.size().scaled(place.size(), Qt::KeepAspectRatio);
        const QRect shown(place.left() + (place.width() - size.width()) / 2, place.top(), size.width(), size.height());
        painter->drawPixmap(shown, picture);
        // What is a guess is hatched, closely; in part, widely: told without colour.
        if (isGuess || isPart)
            painter->fillRect(shown,
                              QBrush(QColor(0x1C, 0x1C, 0x1C, 90), isGuess ? Qt::DiagCrossPattern : Qt::BDiagPattern));
    }
    painter->setFont(theme::font(12, m_model.isInHand(index.row())));
    painter->setPen(theme::kInk);
    const auto line = [&](int at, const QString& words) {
        const QRect room(cell.left() + 6, place.bottom() + 2 + at * kLine, cell.width() - 10, kLine);
        painter->drawText(room, Qt::AlignLeft | Qt::AlignVCenter,
                          painter->fontMetrics().elidedText(words, Qt::ElideMiddle, room.width()));
    };
    line(0, index.data(Qt::DisplayRole).toString());
    painter->setFont(theme::font(12));
    line(1, known ? known->words() : CoverageModel::tr("measuring…"));
    line(2, known ? CoverageModel::tr("ΔE %1, below %2")
                        .arg(theme::number(known->error.mean, 1), theme::number(known->error.bound, 1))
                  : QString());
    if (m_model.isInHand(index.row()))
        painter->fillRect(QRect(cell.left(), cell.bottom() - 2, cell.width(), 3), theme::kAmber);
    if (option.state & QStyle::State_HasFocus)
        theme::paintFocus(*painter, QRectF(cell).adjusted(-2, -2, 2, 2));
    painter->restore();
}

FitCoverage::FitCoverage(Document& document, FrameModel& frames, RenderQueue& queue, QWidget* parent)
    : QWidget(parent), m_model(new CoverageModel(document, frames, queue, this))
{
    auto* column = new QVBoxLayout(this);
    column->setContentsMargins(14, 4, 0, 4);
    column->setSpacing(2);
    auto* title = new QLabel(tr("On the frames of this job: colours that the fit has seen, and how far the look will "
                                "likely end from the treatment"),
                             this);
    title->setProperty("quiet", true);
    column->addWidget(title);
    auto* list = new QListView(this);
    list->setObjectName("fitCoverage");
    list->setAccessibleName(tr("How far the fit can be trusted on each frame"));
    list->setModel(m_model);
    list->setItemDelegate(new CoverageDelegate(*m_model, list));
    list->setFlow(QListView::LeftToRight);
    list->setFrameShape(QFrame::NoFrame);
    list->setHorizontalScrollMode(QAbstractItemView::ScrollPerPixel);
    list->setVerticalScrollBarPolicy(Qt::ScrollBarAlwaysOff);
    list->setFixedHeight(CoverageDelegate::kHigh + 14);
    list->setMinimumWidth(200);
    column->addWidget(list);
    const auto choose = [this, &document](const QModelIndex& index) {
        document.selection().setFrameInHand(m_model->frameAt(index.row()));
    };
    connect(list, &QListView::clicked, this, choose);
    connect(list, &QListView::activated, this, choose);
}

}  // namespace amber
