#include "app/stepline/spot_view.h"

#include "app/display/screen_view.h"
#include "app/theme/theme.h"
#include "core/image/resize.h"

namespace amber {
namespace {

constexpr int kWidth = 250, kHeight = 170;
constexpr double kAround = 0.09;  // of the picture's width, to each side of the place

/// The part of a picture round a place as the screen shows it, with the place ringed.
QImage part(const Image& picture, const Region& place)
{
    QRect crop(0, 0, picture.width(), picture.height());
    const double x = (place.left + place.right) / 2 * picture.width(),
                 y = (place.top + place.bottom) / 2 * picture.height();
    if (!place.isWhole()) {
        const double half = std::max(kAround * picture.width(), (place.right - place.left) * picture.width());
        const int width = std::min(picture.width(), static_cast<int>(2 * half)),
                  height = std::min(picture.height(), static_cast<int>(2 * half * kHeight / kWidth));
        crop = QRect(std::clamp(static_cast<int>(x) - width / 2, 0, picture.width() - width),
                     std::clamp(static_cast<int>(y) - height / 2, 0, picture.height() - height), width, height);
    }
    ImageView view = picture.view();
    view.data = view.row(crop.top()) + 3 * crop.left(), view.width = crop.width(), view.height = crop.height();
    QImage shown = toScreen(view).scaled(kWidth, kHeight, Qt::KeepAspectRatio, Qt::SmoothTransformation);
    if (!place.isWhole()) {
        QPainter painter(&shown);
        painter.setRenderHint(QPainter::Antialiasing);
        const double scale = static_cast<double>(shown.width()) / crop.width();
        const QRectF ring = QRectF((place.left * picture.width() - crop.left()) * scale,
                                   (place.top * picture.height() - crop.top()) * scale,
                                   (place.right - place.left) * picture.width() * scale,
                                   (place.bottom - place.top) * picture.height() * scale)
                                .adjusted(-2, -2, 2, 2);
        for (const auto& [ink, width] :
             {std::pair(QColor(0, 0, 0, 180), 3.0), std::pair(QColor(0xFA, 0xFA, 0xFA), 1.2)}) {
            painter.setPen(QPen(ink, width));
            painter.drawRect(ring);
        }
    }
    return shown;
}

}  // namespace

SpotView::SpotView(RenderQueue& queue, QWidget* parent)
    : QFrame(parent, Qt::Popup), m_title(new QLabel(this)), m_before(new QLabel(this)), m_after(new QLabel(this)),
      m_words(new QLabel(this)), m_slot(new RenderSlot(queue, RenderQueue::Priority::InHand, this))
{
    setObjectName("spotView");
    setFrameShape(QFrame::Box);
    m_title->setProperty("strong", true);
    m_words->setObjectName("spotWords");
    auto* grid = new QGridLayout(this);
    grid->setContentsMargins(14, 10, 14, 10);
    grid->setHorizontalSpacing(12);
    grid->addWidget(m_title, 0, 0, 1, 2);
    for (const auto& [column, words] : {std::pair(0, tr("before this step")), std::pair(1, tr("after it"))}) {
        auto* caption = new QLabel(words, this);
        caption->setProperty("quiet", true);
        grid->addWidget(caption, 1, column);
    }
    grid->addWidget(m_before, 2, 0);
    grid->addWidget(m_after, 2, 1);
    grid->addWidget(m_words, 3, 0, 1, 2);
    for (QLabel* picture : {m_before, m_after})
        picture->setMinimumHeight(kHeight);
}

QString SpotView::words() const { return m_words->text(); }

void SpotView::show(const Look& look, int step, const std::shared_ptr<const Proxy>& proxy,
                    const std::shared_ptr<const FrameAreas>& areas, const Region& place, const QString& title,
                    const QString& words, QPoint above)
{
    const auto work = [look, step, proxy, areas, place](const CancelToken&) {
        const int longEdge = std::max(proxy->info.width, proxy->info.height);
        const auto through = [&](int count) {
            Image out(proxy->image.width(), proxy->image.height());
            if (const auto plan = RenderPlan::compile(look, static_cast<std::size_t>(count)))
                amber::render(*plan, proxy->image.view(), out.mutableView(), {},
                              {RenderOptions::Stage::All, longEdge, 0, 0, masksOf(areas, *plan, proxy->image.view())});
            return part(out, place);
        };
        return std::pair(through(step), through(step + 1));
    };
    m_before->clear(), m_after->clear();
    m_slot->run(work, [this](const std::pair<QImage, QImage>& pictures) {
        m_before->setPixmap(QPixmap::fromImage(pictures.first));
        m_after->setPixmap(QPixmap::fromImage(pictures.second));
    });
    m_title->setText(title);
    m_words->setText(words);
    for (QLabel* picture : {m_before, m_after})
        picture->setMinimumWidth(kWidth);
    m_before->setAccessibleName(tr("Before this step"));
    m_after->setAccessibleName(tr("After this step"));
    setPalette(QApplication::palette());
    adjustSize();
    QRect area = parentWidget()->window()->geometry();
    QPoint corner = above - QPoint(width() / 2, height() + 8);
    corner.setX(std::clamp(corner.x(), area.left() + 6, std::max(area.left() + 6, area.right() - width() - 6)));
    corner.setY(std::max(corner.y(), area.top() + 6));
    move(corner);
    QFrame::show();
}

}  // namespace amber
