#include "app/places/match/match_pictures.h"

#include "app/render/proxy_store.h"
#include "app/theme/theme.h"
#include "app/wall/picture_view.h"
#include "core/engine/render_plan.h"
#include "core/image/resize.h"
#include "core/measure/difference_map.h"

#include <QtWidgets>

namespace amber {
namespace {

/// What one picture does not cover of another takes the colour of the wall.
void cover(MutableImageView picture)
{
    const double L = (theme::surround() + 16) / 116.0;
    const auto grey = static_cast<float>(L * L * L);
    for (int y = 0; y < picture.height; ++y)
        for (float* p = picture.row(y); p != picture.row(y) + 3 * picture.width; ++p)
            *p = std::isfinite(*p) ? *p : grey;
}

/// As large as the view shows it, through its look.
Image seen(const MatchPictures::Side& side, const QSize& space)
{
    const ImageView picture = side.picture->view();
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
        amber::render(*plan, image.view(), image.mutableView(), {},
                      {RenderOptions::Stage::All, side.deliveredLongEdge});
    return image;
}

}  // namespace

MatchPictures::MatchPictures(QWidget* parent)
    : QWidget(parent), m_reference(new PictureView(this)), m_ours(new PictureView(this))
{
    setObjectName("matchPictures");
    m_reference->setObjectName("matchReference");
    m_reference->setAccessibleName(tr("Reference"));
    m_ours->setObjectName("matchOurs");
    m_ours->setAccessibleName(tr("Ours"));
    m_ours->setSplitWords(tr("reference"), tr("ours"));
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
    const auto put = [this](PictureView& view, const QImage& after, const QImage& before) {
        view.setImages(++m_number, after, before);
    };
    for (const auto& [view, side] : {std::pair(m_reference, &reference), std::pair(m_ours, &ours)}) {
        view->setCaption(side->caption);
        if (!side->picture) {
            view->clear();
            view->setMessage(side->message);
        }
    }
    Image left, right;
    if (reference.picture) {
        left = seen(reference, m_reference->pictureSpace());
        const QImage image = toScreen(left.view());
        put(*m_reference, image, image);
    }
    if (!ours.picture)
        return;
    right = seen(ours, m_ours->pictureSpace());
    const bool overlaid = lies && reference.picture && (wipe || map > 0);
    m_ours->setSplit(overlaid && wipe && map == 0);
    if (!overlaid) {
        const QImage image = toScreen(right.view());
        return put(*m_ours, image, image);
    }
    const Registration exact;
    if (lies->m != exact.m || right.width() != left.width() || right.height() != left.height()) {
        right = laidOver(right.view(), *lies, left.width(), left.height());
        cover(right.mutableView());
    }
    if (map > 0)
        if (auto difference = differenceMap(left.view(), right.view(), static_cast<MapAspect>(map - 1)))
            right = std::move(*difference);
    put(*m_ours, toScreen(right.view()), toScreen(left.view()));
}

}  // namespace amber
