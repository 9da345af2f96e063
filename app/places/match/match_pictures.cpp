#include "app/places/match/match_pictures.h"

#include "app/display/screen_view.h"
#include "app/render/proxy_store.h"
#include "app/theme/theme.h"
#include "app/wall/picture_view.h"
#include "core/colour/difference.h"
#include "core/engine/render_plan.h"
#include "core/image/resize.h"
#include "core/measure/difference_map.h"

#include <QtWidgets>

namespace amber {
namespace {

/// What one picture does not cover of another takes the colour of the wall.
void cover(MutableImageView picture)
{
    const auto grey = static_cast<float>(luminanceOfStar(theme::surround()));
    for (int y = 0; y < picture.height; ++y)
        for (float* p = picture.row(y); p != picture.row(y) + 3 * picture.width; ++p)
            *p = std::isfinite(*p) ? *p : grey;
}

/// As large as the view shows it, through its look.
Image seen(const MatchPictures::Side& side, const QSize& space)
{
    const FrameBalance& lies = side.lies;
    const bool isMoved = lies.optics.moves() || lies.optics.hasFringes() || !lies.geometry.isIdentity();
    const Image moved = isMoved ? placed(Image(*side.picture), lies.optics, lies.geometry) : Image();
    const ImageView picture = isMoved ? moved.view() : side.picture->view();
    const double scale = std::min(static_cast<double>(space.width()) / picture.width,
                                  static_cast<double>(space.height()) / picture.height);
    const int width = std::max(1, static_cast<int>(picture.width * scale)),
              height = std::max(1, static_cast<int>(picture.height * scale));
    // A small reference is enlarged, so that both are judged at one size.
    Registration same;
    same.fromRatio = same.toRatio = static_cast<double>(picture.width) / picture.height;
    Image image = scale <= 1 ? reduceByArea(picture, width, height) : laidOver(picture, same, width, height);
    cover(image.mutableView());
    if (const auto plan = RenderPlan::compile(side.look))
        amber::render(
            *plan, image.view(), image.mutableView(), {},
            {RenderOptions::Stage::All, side.deliveredLongEdge, 0, 0, masksOf(side.areas, *plan, image.view())});
    return image;
}

/// What is shown: the reference; ours; and what lies under ours where it is parted by a line.
struct Shown {
    QImage reference, ours, under;
};

struct Wanted {
    MatchPictures::Side reference, ours;
    QSize referenceSpace, oursSpace;
    std::optional<Registration> lies;  ///< only when ours is to be laid over the reference
    std::optional<MapAspect> map;
};

Shown shownOf(const Wanted& w)
{
    Shown shown;
    Image left, right;
    if (w.reference.picture) {
        left = seen(w.reference, w.referenceSpace);
        shown.reference = toScreen(left.view());
    }
    if (!w.ours.picture)
        return shown;
    right = seen(w.ours, w.oursSpace);
    if (!w.lies) {
        shown.ours = shown.under = toScreen(right.view());
        return shown;
    }
    const Registration exact;
    if (w.lies->m != exact.m || right.width() != left.width() || right.height() != left.height()) {
        right = laidOver(right.view(), *w.lies, left.width(), left.height());
        cover(right.mutableView());
    }
    if (w.map)
        if (auto difference = differenceMap(left.view(), right.view(), *w.map))
            right = std::move(*difference);
    shown.ours = toScreen(right.view()), shown.under = shown.reference;
    return shown;
}

}  // namespace

MatchPictures::MatchPictures(RenderQueue& queue, QWidget* parent)
    : QWidget(parent), m_reference(new PictureView(this)), m_ours(new PictureView(this)),
      m_slot(new RenderSlot(queue, RenderQueue::Priority::InHand, this))
{
    setObjectName("matchPictures");
    m_reference->setObjectName("matchReference");
    m_reference->setAccessibleName(tr("Reference"));
    m_ours->setObjectName("matchOurs");
    m_ours->setAccessibleName(tr("Ours"));
    m_ours->setSplitWords(tr("reference"), tr("ours"));
    connect(&ScreenView::instance(), &ScreenView::changed, this, &MatchPictures::resized);
    auto* row = new QHBoxLayout(this);
    row->setContentsMargins(14, 4, 14, 8);
    row->setSpacing(14);
    for (PictureView* view : {m_reference, m_ours}) {
        row->addWidget(view, 1);
        connect(view, &PictureView::resized, this, &MatchPictures::resized);
    }
}

void MatchPictures::paintEvent(QPaintEvent*) { QPainter(this).fillRect(rect(), theme::kWall); }

void MatchPictures::show(const Side& reference, const Side& ours, const std::optional<Registration>& lies, bool wipe,
                         int map)
{
    for (const auto& [view, side] : {std::pair(m_reference, &reference), std::pair(m_ours, &ours)}) {
        view->setCaption(side->caption);
        if (!side->picture) {
            view->clear();
            view->setMessage(side->message);
        }
    }
    const bool overlaid = lies && reference.picture && ours.picture && (wipe || map > 0);
    m_ours->setSplit(overlaid && wipe && map == 0);
    Wanted wanted{reference, ours, m_reference->pictureSpace(), m_ours->pictureSpace(), {}, {}};
    if (overlaid)
        wanted.lies = lies;
    if (overlaid && map > 0)
        wanted.map = static_cast<MapAspect>(map - 1);
    m_slot->run([wanted](const CancelToken&) { return shownOf(wanted); },
                [this](const Shown& shown) {
                    if (!shown.reference.isNull())
                        m_reference->setImages(++m_number, shown.reference, shown.reference);
                    if (!shown.ours.isNull())
                        m_ours->setImages(++m_number, shown.ours, shown.under);
                });
}

}  // namespace amber
