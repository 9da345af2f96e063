#include "app/places/areas/areas_model.h"

#include "app/theme/theme.h"
#include "app/words/words.h"
#include "core/area/area_mask.h"
#include "core/colour/rgb_space.h"

#include <QtWidgets>
#include <algorithm>

namespace amber {

QImage veilOf(const Plane& mask)
{
    constexpr int kVeil = 176, kLine = 230;
    QImage veil(mask.width, mask.height, QImage::Format_ARGB32_Premultiplied);
    const auto premultiplied = [](const QColor& c, int alpha) {
        return qPremultiply(qRgba(c.red(), c.green(), c.blue(), alpha));
    };
    const QRgb line = premultiplied(theme::kAmber, kLine);
    std::array<QRgb, 256> veils;
    for (int i = 0; i < 256; ++i)
        veils[static_cast<std::size_t>(i)] = premultiplied(theme::kWall, kVeil * i / 255);
    const auto isIn = [](float w) { return w >= 0.5f; };
    for (int y = 0; y < mask.height; ++y) {
        auto* row = reinterpret_cast<QRgb*>(veil.scanLine(y));
        const float *w = mask.row(y), *above = mask.row(std::max(0, y - 1)),
                    *below = mask.row(std::min(mask.height - 1, y + 1));
        for (int x = 0; x < mask.width; ++x) {
            const bool isEdge = isIn(w[x]) && !(isIn(above[x]) && isIn(below[x]) && isIn(w[std::max(0, x - 1)]) &&
                                                isIn(w[std::min(mask.width - 1, x + 1)]));
            row[x] = isEdge ? line : veils[static_cast<std::size_t>(255.5f - 255 * std::clamp(w[x], 0.0f, 1.0f))];
        }
    }
    return veil;
}

Image lightOf(const QImage& srgb)
{
    const QImage codes = srgb.convertToFormat(QImage::Format_RGB32);
    Image light(codes.width(), codes.height());
    std::array<float, 256> linear;
    for (int i = 0; i < 256; ++i)
        linear[static_cast<std::size_t>(i)] = static_cast<float>(decodeComponent(RgbSpace::Srgb, i / 255.0));
    for (int y = 0; y < codes.height(); ++y) {
        const auto* from = reinterpret_cast<const QRgb*>(codes.constScanLine(y));
        float* to = light.mutableView().row(y);
        for (int x = 0; x < codes.width(); ++x, to += 3) {
            to[0] = linear[static_cast<std::size_t>(qRed(from[x]))];
            to[1] = linear[static_cast<std::size_t>(qGreen(from[x]))];
            to[2] = linear[static_cast<std::size_t>(qBlue(from[x]))];
        }
    }
    return light;
}

AreasModel::AreasModel(Document& document, FrameModel& frames, ProxyStore& proxies, QObject* parent)
    : QAbstractListModel(parent), m_document(document), m_frames(frames),
      m_veiling(new RenderSlot(proxies.queue(), RenderQueue::Priority::Sheet, this)), m_soon(new QTimer(this))
{
    constexpr int kPause = 80;  // thumbnails come one after another
    m_soon->setSingleShot(true);
    m_soon->setInterval(kPause);
    connect(m_soon, &QTimer::timeout, this, &AreasModel::veilAnew);
    connect(&m_document, &Document::leaving, this, [this] {
        m_veiling->drop();
        m_offers.clear();
    });
    connect(&m_document, &Document::opened, this, &AreasModel::reorder);
    connect(&m_document, &Document::framesChanged, this, &AreasModel::reorder);
    connect(&m_document, &Document::areasChanged, this, [this] {
        veilSoon();
        if (!m_order.empty())
            emit dataChanged(index(0), index(rowCount() - 1));
        emit changed();
    });
    connect(&m_frames, &QAbstractItemModel::dataChanged, this, [this] {
        veilSoon();
        if (m_isShown && !m_order.empty())
            emit dataChanged(index(0), index(rowCount() - 1));
    });
}

void AreasModel::setRole(const std::string& role)
{
    m_role = role;
    reorder();
}

void AreasModel::reorder()
{
    beginResetModel();
    m_order.clear();
    for (const Frame& frame : m_document.frames())
        m_order.push_back(frame.id);
    const auto rank = [this](FrameId id) {
        constexpr double kOpen = 2, kDecided = 3, kNotHere = 4;
        const Area* area = m_document.job().areaOf(id, m_role);
        if (!area)
            return kOpen;
        return area->state == Area::State::Proposed  ? area->sureness()
               : area->state == Area::State::NotHere ? kNotHere
                                                     : kDecided;
    };
    std::stable_sort(m_order.begin(), m_order.end(), [&](FrameId a, FrameId b) { return rank(a) < rank(b); });
    m_veils.clear();
    m_veiled.clear();
    endResetModel();
    veilSoon();
    emit changed();
}

void AreasModel::remember(const std::vector<AreaOffers>& offers)
{
    for (const AreaOffers& o : offers)
        m_offers[{o.frame, o.role}] = o.proposals;
}

const std::vector<Proposal>& AreasModel::offersOf(FrameId frame) const
{
    static const std::vector<Proposal> kNone;
    const auto found = m_offers.find({frame, m_role});
    return found == m_offers.end() ? kNone : found->second;
}

void AreasModel::setShown(bool on)
{
    m_isShown = on;
    veilSoon();
}

void AreasModel::veilSoon()
{
    if (m_isShown && !m_soon->isActive())
        m_soon->start();
}

/// Off the interface thread; only what changed.
void AreasModel::veilAnew()
{
    struct Tile {
        FrameId frame;
        QImage picture;
        Area area;
    };
    std::vector<Tile> tiles;
    for (const FrameId id : m_order) {
        const Area* area = m_document.job().areaOf(id, m_role);
        if (!area || area->state == Area::State::NotHere) {
            m_veils.remove(id);
            m_veiled.erase(id);
            continue;
        }
        const auto known = m_veiled.find(id);
        if (known != m_veiled.end() && known->second.parts == area->parts && m_veils.contains(id))
            continue;
        if (const QPixmap picture = m_frames.thumbnail(id); !picture.isNull())
            tiles.push_back({id, picture.toImage(), *area});
    }
    if (tiles.empty())
        return;
    const auto work = [tiles](const CancelToken& cancel) {
        QHash<std::int64_t, QImage> veils;
        for (const Tile& tile : tiles)
            if (!cancel.isCancelled())
                veils.insert(tile.frame, veilOf(MaskGround(lightOf(tile.picture).view()).maskOf(tile.area)));
        return veils;
    };
    m_veiling->run(work, [this, tiles](const QHash<std::int64_t, QImage>& veils) {
        for (const Tile& tile : tiles) {
            m_veils.insert(tile.frame, veils.value(tile.frame));
            m_veiled[tile.frame] = tile.area;
        }
        if (!m_order.empty())
            emit dataChanged(index(0), index(rowCount() - 1), {VeilRole});
    });
}

int AreasModel::rowCount(const QModelIndex& parent) const
{
    return parent.isValid() ? 0 : static_cast<int>(m_order.size());
}

FrameId AreasModel::frameAt(int row) const
{
    return row >= 0 && row < rowCount() ? m_order[static_cast<std::size_t>(row)] : 0;
}

int AreasModel::rowOf(FrameId frame) const
{
    const auto at = std::find(m_order.begin(), m_order.end(), frame);
    return at == m_order.end() ? -1 : static_cast<int>(at - m_order.begin());
}

AreasModel::Standing AreasModel::standingOf(FrameId frame) const
{
    const Area* area = m_document.job().areaOf(frame, m_role);
    if (!area)
        return m_offers.contains({frame, m_role}) ? Standing::NotFound : Standing::Open;
    switch (area->state) {
    case Area::State::Proposed:
        return Standing::Proposed;
    case Area::State::Confirmed:
        return Standing::Confirmed;
    case Area::State::ByHand:
        return Standing::ByHand;
    case Area::State::NotHere:
        break;
    }
    return Standing::NotHere;
}

int AreasModel::countOf(Standing standing) const
{
    return static_cast<int>(
        std::count_if(m_order.begin(), m_order.end(), [&](FrameId id) { return standingOf(id) == standing; }));
}

int AreasModel::nextOpen(int after) const
{
    for (int k = 1; k <= rowCount(); ++k) {
        const int row = (after + k) % rowCount();
        if (const Standing s = standingOf(frameAt(row));
            s == Standing::Proposed || s == Standing::Open || s == Standing::NotFound)
            return row;
    }
    return -1;
}

QString AreasModel::wordsOf(FrameId frame) const
{
    const Area* area = m_document.job().areaOf(frame, m_role);
    switch (standingOf(frame)) {
    case Standing::Proposed:
        return tr("offered, sure %1 %").arg(qRound(100 * area->sureness()));
    case Standing::Open:
        return tr("not marked");
    case Standing::NotFound:
        return tr("not found");
    case Standing::Confirmed:
        return tr("confirmed");
    case Standing::ByHand:
        return tr("by hand");
    case Standing::NotHere:
        break;
    }
    return tr("not here");
}

QVariant AreasModel::data(const QModelIndex& index, int role) const
{
    const FrameId id = frameAt(index.row());
    const Frame* frame = m_document.frame(id);
    if (!frame)
        return {};
    switch (role) {
    case Qt::DisplayRole:
        return text(nameOf(*frame));
    case Qt::DecorationRole:
        return m_frames.thumbnail(id);
    case Qt::AccessibleTextRole:
        return text(nameOf(*frame)) + QStringLiteral(", ") + wordsOf(id);
    case Qt::ToolTipRole:
        if (const Area* area = m_document.job().areaOf(id, m_role))
            for (const AreaPart& part : area->parts)
                if (const auto* found = std::get_if<Found>(&part.shape))
                    return text(found->from);
        return wordsOf(id);
    case IdRole:
        return QVariant::fromValue<qint64>(id);
    case StandingRole:
        return static_cast<int>(standingOf(id));
    case WordsRole:
        return wordsOf(id);
    case VeilRole:
        return m_veils.value(id);
    default:
        return {};
    }
}

}  // namespace amber
