#include "app/wall/compare_view.h"

#include "app/display/screen_view.h"
#include "app/settings/own_settings.h"
#include "app/theme/line_label.h"
#include "app/theme/theme.h"
#include "core/analysis/overlay.h"
#include "core/image/resize.h"
#include "core/look/look_difference.h"
#include "core/measure/difference_map.h"
#include "core/measure/picture_difference.h"

namespace amber {
namespace {

/// What the lists hold besides revisions: another look, and the befores.
constexpr qlonglong kAgainst = -1;
constexpr qlonglong dataOf(Wall::State before) { return -10 - static_cast<qlonglong>(before); }

}  // namespace

void CompareView::makeChecks()
{
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
        // Where nothing is to move by itself, the box turns from one to the other.
        const bool isStill = OwnSettings::instance().get().isStill;
        on && !isStill ? m_flickerTimer->start() : m_flickerTimer->stop();
        flip(on && isStill);
    });
    connect(m_flickerTimer, &QTimer::timeout, this, [this] { flip(!m_flipped); });
}

void CompareView::flip(bool isFlipped)
{
    m_flipped = isFlipped;
    m_left->setImages(1, m_flipped ? m_rightImage : m_leftImage, {});
    m_left->setCaption(m_flipped ? m_rightChoice->currentText() : m_leftChoice->currentText());
}

void CompareView::layOut(QWidget* close)
{
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

CompareView::CompareView(Document& document, Wall& wall, QWidget* parent)
    : QWidget(parent), m_document(document), m_wall(wall),
      m_slot(new RenderSlot(wall.queue(), RenderQueue::Priority::InHand, this))
{
    setObjectName("compareView");
    connect(&ScreenView::instance(), &ScreenView::changed, this, [this] { render(); });
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
    m_difference = new LineLabel(this);
    m_difference->setObjectName("compareDifference");
    m_difference->setProperty("onWall", true);
    m_difference->setSizePolicy(QSizePolicy::Ignored, QSizePolicy::Preferred);
    m_map = choice("compareMap", tr("On the right: the picture or a map of the difference"));
    m_map->addItems({tr("Pictures"), tr("Map: lightness"), tr("Map: chroma"), tr("Map: hue")});
    makeChecks();
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
    layOut(close);
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
    m_leftChoice->setCurrentIndex(m_leftChoice->findData(kAgainst));
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
            box->addItem(m_against->second, QVariant::fromValue<qlonglong>(kAgainst));
        for (const Wall::State before : {Wall::State::BeforeStep, Wall::State::Balanced, Wall::State::AsItCame})
            box->addItem(tr("Before: %1").arg(Wall::wordsOf(before)), QVariant::fromValue<qlonglong>(dataOf(before)));
    }
    // The newest version that is not what is on screen, if there is one.
    int left = pins.empty() ? m_leftChoice->findData(QVariant::fromValue<qlonglong>(dataOf(Wall::State::Balanced))) : 1;
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
    if (revision == kAgainst && m_against)
        return m_against->first;
    if (revision == dataOf(Wall::State::Balanced) || revision == dataOf(Wall::State::AsItCame))
        return Look{};
    if (revision == dataOf(Wall::State::BeforeStep)) {
        Look before = m_document.looks().look();
        before.steps.resize(std::min(before.steps.size(), static_cast<std::size_t>(m_document.looks().selectedStep())));
        return before;
    }
    return revision == 0 ? std::optional(m_document.looks().look()) : m_document.looks().lookAt(revision);
}

namespace {

/// Two versions of one picture as they are shown, and how far they are apart.
struct Compared {
    QImage left, right, before, map;
    std::optional<PictureDifference> difference;
};

struct CompareAsked {
    std::shared_ptr<const Proxy> proxy;
    std::optional<RenderRequest::Base> base;  ///< for what is shown as it came
    bool leftCame = false, rightCame = false;
    QSize space;
    RenderPlan left, right;
    bool isEqual = false;
    std::optional<MapAspect> map;
    std::shared_ptr<const FrameAreas> areas;
};

/// With the frame's lens, turn and crop, so that it lies as the others do.
Image asItCame(const RenderRequest::Base& base, QSize space)
{
    const Image whole = placed(Image(base.untouched->image), base.balance.optics, base.balance.geometry);
    return reducedToFit(whole.view(), space.width(), space.height());
}

Compared compared(const CompareAsked& c)
{
    const Image small = reducedToFit(c.proxy->image.view(), c.space.width(), c.space.height());
    const auto optionsFor = [&](const RenderPlan& plan) {
        return RenderOptions{RenderOptions::Stage::All, std::max(c.proxy->info.width, c.proxy->info.height), 0, 0,
                             masksOf(c.areas, plan, small.view())};
    };
    Image left(small.width(), small.height()), right(small.width(), small.height());
    const auto draw = [&](const RenderPlan& plan, bool came, Image& to) {
        if (came && c.base)
            to = asItCame(*c.base, c.space);
        else
            amber::render(plan, small.view(), to.mutableView(), {}, optionsFor(plan));
    };
    draw(c.left, c.leftCame, left), draw(c.right, c.rightCame, right);
    if (c.isEqual)
        equaliseBrightness(left.view(), right.mutableView());
    Compared shown{toScreen(left.view()), toScreen(right.view()), toScreen(small.view()), {}, {}};
    if (const auto map = c.map ? differenceMap(left.view(), right.view(), *c.map) : fail("no map"))
        shown.map = toScreen(map->view());
    if (const auto d = pictureDifference(left.view(), right.view()))
        shown.difference = *d;
    return shown;
}

}  // namespace

std::optional<MapAspect> CompareView::mapWanted() const
{
    const int map = m_map->currentIndex();
    return map > 0 ? std::optional(static_cast<MapAspect>(map - 1)) : std::nullopt;
}

void CompareView::render()
{
    const auto proxy = m_wall.proxyInHand();
    if (!proxy || !isVisible())
        return;
    const auto planOf = [this](const QComboBox& box) {
        const auto look = chosen(box);
        return look ? RenderPlan::compile(*look) : fail("no such version");
    };
    auto left = planOf(*m_leftChoice), right = planOf(*m_rightChoice);
    if (!left || !right)
        return;
    const auto came = [](const QComboBox& box) {
        return box.currentData().toLongLong() == dataOf(Wall::State::AsItCame);
    };
    const CompareAsked asked{proxy,
                             m_wall.baseInHand(),
                             came(*m_leftChoice),
                             came(*m_rightChoice),
                             m_left->pictureSpace(),
                             std::move(*left),
                             std::move(*right),
                             m_equal->isChecked(),
                             mapWanted(),
                             m_document.areasOf(m_document.selection().frameInHand(), proxy->sourceRatio)};
    m_left->setCaption(m_leftChoice->currentText());
    m_right->setCaption(m_rightChoice->currentText());
    m_slot->run([asked](const CancelToken&) { return compared(asked); },
                [this](const Compared& shown) {
                    m_leftImage = shown.left, m_rightImage = shown.right;
                    const bool isMap = !shown.map.isNull();
                    m_left->setImages(1, shown.left, shown.before);
                    m_right->setImages(1, isMap ? shown.map : shown.right, isMap ? QImage() : shown.before);
                    if (const auto& d = shown.difference)
                        m_difference->setText(tr("Difference on this frame (ΔE00): mean %1, 95 % %2, largest %3")
                                                  .arg(theme::decimal(d->mean, 2))
                                                  .arg(theme::decimal(d->percentile95, 2))
                                                  .arg(theme::decimal(d->maximum, 2)));
                });
}

void CompareView::resizeEvent(QResizeEvent*)
{
    QMetaObject::invokeMethod(
        this, [this] { render(); }, Qt::QueuedConnection);
}

}  // namespace amber
