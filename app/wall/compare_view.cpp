#include "app/wall/compare_view.h"

#include "app/theme/theme.h"
#include "core/analysis/overlay.h"
#include "core/image/resize.h"
#include "core/look/look_difference.h"
#include "core/measure/difference_map.h"
#include "core/measure/picture_difference.h"

namespace amber {

CompareView::CompareView(Document& document, Wall& wall, QWidget* parent)
    : QWidget(parent), m_document(document), m_wall(wall)
{
    setObjectName("compareView");
    const auto choice = [&](const char* name, const QString& accessible) {
        auto* box = new QComboBox(this);
        box->setObjectName(name);
        box->setAccessibleName(accessible);
        connect(box, &QComboBox::activated, this, [this] { render(); });
        return box;
    };
    m_leftChoice = choice("compareLeft", tr("Version on the left"));
    m_rightChoice = choice("compareRight", tr("Version on the right"));
    m_left = new PictureView(this);
    m_right = new PictureView(this);
    m_difference = new QLabel(this);
    m_difference->setObjectName("compareDifference");
    m_difference->setProperty("onWall", true);
    m_difference->setSizePolicy(QSizePolicy::Ignored, QSizePolicy::Preferred);
    m_map = choice("compareMap", tr("On the right: the picture or a map of the difference"));
    m_map->addItems({tr("Pictures"), tr("Map: lightness"), tr("Map: chroma"), tr("Map: hue")});
    m_equal = new QCheckBox(tr("equal brightness"), this);
    m_equal->setObjectName("compareEqual");
    m_equal->setProperty("onWall", true);
    m_equal->setToolTip(tr("Shows the right one with the mean lightness of the left one: of two versions the brighter "
                           "one seems the better one"));
    connect(m_equal, &QCheckBox::clicked, this, [this] { render(); });
    m_flicker = new QCheckBox(tr("flicker"), this);
    m_flicker->setObjectName("compareFlicker");
    m_flicker->setProperty("onWall", true);
    m_flicker->setToolTip(tr("Shows both by turns on the left. Slowly: more than three changes a second can bring on a "
                             "seizure in people who are sensitive to light, so it never goes faster"));
    m_flickerTimer = new QTimer(this);
    m_flickerTimer->setObjectName("flickerTimer");
    m_flickerTimer->setInterval(std::max(kFlickerLeast, kFlickerDefault));
    connect(m_flicker, &QCheckBox::clicked, this, [this](bool on) {
        on ? m_flickerTimer->start() : m_flickerTimer->stop();
        m_flipped = false;
        m_left->setImages(1, m_leftImage, {});
    });
    connect(m_flickerTimer, &QTimer::timeout, this, [this] {
        m_flipped = !m_flipped;
        m_left->setImages(1, m_flipped ? m_rightImage : m_leftImage, {});
        m_left->setCaption(m_flipped ? m_rightChoice->currentText() : m_leftChoice->currentText());
    });
    auto* close = new QPushButton(tr("Back to the wall"), this);
    close->setObjectName("compareClose");
    connect(close, &QPushButton::clicked, this, &CompareView::closed);

    auto* later = new QTimer(this);
    later->setSingleShot(true);
    later->setInterval(120);
    connect(later, &QTimer::timeout, this, [this] { render(); });
    const auto renew = [this, later] {
        if (isVisible())
            later->start();
    };
    connect(&document.looks(), &LooksInHand::lookChanged, later, renew);
    connect(&document.selection(), &Selection::frameChosen, later, renew);
    auto* layout = new QGridLayout(this);
    layout->setContentsMargins(14, 10, 14, 12);
    layout->setHorizontalSpacing(14);
    layout->addWidget(m_leftChoice, 0, 0);
    layout->addWidget(m_rightChoice, 0, 1);
    layout->addWidget(m_left, 1, 0);
    layout->addWidget(m_right, 1, 1);
    auto* foot = new QHBoxLayout;
    foot->setSpacing(14);
    foot->addWidget(m_map);
    foot->addWidget(m_equal);
    foot->addWidget(m_flicker);
    foot->addWidget(m_difference, 1);
    foot->addWidget(close);
    layout->addLayout(foot, 2, 0, 1, 2);
    layout->setRowStretch(1, 1);
    layout->setColumnStretch(0, 1);
    layout->setColumnStretch(1, 1);
}

void CompareView::paintEvent(QPaintEvent*) { QPainter(this).fillRect(rect(), theme::kWall); }

void CompareView::hideEvent(QHideEvent*)
{
    m_flickerTimer->stop();
    m_flicker->setChecked(false);
    m_against.reset();
}

void CompareView::showAgainst(const Look& look, const QString& title)
{
    m_against = {look, title};
    refresh();
    m_leftChoice->setCurrentIndex(m_leftChoice->count() - 1);
    render();
}

void CompareView::refresh()
{
    const auto pins = m_document.looks().pins();
    for (QComboBox* box : {m_leftChoice, m_rightChoice}) {
        box->clear();
        box->addItem(tr("As it is now"), QVariant::fromValue<qlonglong>(0));
        for (std::size_t i = pins.size(); i-- > 0;)
            box->addItem(tr("Version %1: %2").arg(i + 1).arg(pins[i].note.empty() ? tr("no note") : text(pins[i].note)),
                         QVariant::fromValue<qlonglong>(pins[i].revision));
        if (m_against)
            box->addItem(m_against->second, QVariant::fromValue<qlonglong>(-1));
    }
    // The newest version that is not what is on screen, if there is one.
    int left = std::min(1, m_leftChoice->count() - 1);
    for (int i = 1; i < m_leftChoice->count(); ++i)
        if (const auto look = m_document.looks().lookAt(m_leftChoice->itemData(i).toLongLong());
            look && *look != m_document.looks().look()) {
            left = i;
            break;
        }
    m_leftChoice->setCurrentIndex(left);
    m_rightChoice->setCurrentIndex(0);
    render();
}

std::optional<Look> CompareView::chosen(const QComboBox& box) const
{
    const auto revision = box.currentData().toLongLong();
    if (revision == -1 && m_against)
        return m_against->first;
    return revision == 0 ? std::optional(m_document.looks().look()) : m_document.looks().lookAt(revision);
}

void CompareView::render()
{
    const auto proxy = m_wall.proxyInHand();
    if (!proxy || !isVisible())
        return;
    const QSize space = m_left->pictureSpace();
    const Image& source = proxy->image;
    const double scale = std::min({1.0, static_cast<double>(space.width()) / source.width(),
                                   static_cast<double>(space.height()) / source.height()});
    const Image small = reduceByArea(source.view(), std::max(1, static_cast<int>(source.width() * scale)),
                                     std::max(1, static_cast<int>(source.height() * scale)));
    const QImage before = toScreen(small.view());
    Image results[2];
    for (int side = 0; side < 2; ++side) {
        const QComboBox& box = side == 0 ? *m_leftChoice : *m_rightChoice;
        PictureView& view = side == 0 ? *m_left : *m_right;
        const auto look = chosen(box);
        const auto plan = look ? RenderPlan::compile(*look) : fail("no such version");
        if (!plan)
            return;
        results[side] = Image(small.width(), small.height());
        amber::render(*plan, small.view(), results[side].mutableView(), {},
                      {RenderOptions::Stage::All, std::max(proxy->info.width, proxy->info.height)});
        view.setCaption(box.currentText());
    }
    if (m_equal->isChecked())
        equaliseBrightness(results[0].view(), results[1].mutableView());
    const auto map = m_map->currentIndex() > 0 ? differenceMap(results[0].view(), results[1].view(),
                                                               static_cast<MapAspect>(m_map->currentIndex() - 1))
                                               : fail("no map");
    m_leftImage = toScreen(results[0].view()), m_rightImage = toScreen(results[1].view());
    m_left->setImages(1, m_leftImage, before);
    m_right->setImages(1, map ? toScreen(map->view()) : m_rightImage, map ? QImage() : before);
    if (const auto d = pictureDifference(results[0].view(), results[1].view()))
        m_difference->setText(tr("Difference on this frame (ΔE00): mean %1, 95 % %2, largest %3")
                                  .arg(theme::decimal(d->mean, 2))
                                  .arg(theme::decimal(d->percentile95, 2))
                                  .arg(theme::decimal(d->maximum, 2)));
}

void CompareView::resizeEvent(QResizeEvent*)
{
    QMetaObject::invokeMethod(
        this, [this] { render(); }, Qt::QueuedConnection);
}

}  // namespace amber
