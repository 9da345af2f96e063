#include "app/places/proof/screens_tab.h"

#include "app/screen/shipped_profiles.h"
#include "app/theme/controls.h"
#include "app/theme/theme.h"
#include "app/wall/picture_view.h"
#include "core/engine/render_plan.h"
#include "core/image/resize.h"

#include <QtWidgets>

namespace amber {
ScreensTab::ScreensTab(Document& document, ProxyStore& proxies, Screens& screens, QWidget* parent)
    : QWidget(parent), m_document(document), m_proxies(proxies), m_screens(screens), m_profiles(shippedProfiles()),
      m_slot(new RenderSlot(proxies.queue(), RenderQueue::Priority::InHand, this)), m_seenAs(std::make_shared<SeenAs>())
{
    setObjectName("screensTab");
    auto* layout = new QVBoxLayout(this);
    layout->setContentsMargins(0, 0, 0, 0);
    layout->setSpacing(0);
    layout->addLayout(makeHeader());
    auto* wall = new QWidget(this);
    wall->setObjectName("screensWall");
    wall->setAttribute(Qt::WA_StyledBackground);
    auto* grid = new QGridLayout(wall);
    grid->setContentsMargins(14, 8, 14, 10);
    grid->setHorizontalSpacing(20);
    grid->setVerticalSpacing(8);
    for (int pane = 0; pane < kPanes; ++pane)
        grid->addWidget(makePane(pane), pane / 2, pane % 2);
    layout->addWidget(wall, 1);
    fillChoices();
    const int usual[kPanes] = {0, 1, 3, 4};
    for (int pane = 0; pane < kPanes; ++pane)
        m_panes[static_cast<std::size_t>(pane)].choice->setCurrentIndex(
            std::min(usual[pane], static_cast<int>(m_profiles.size())));
    const auto again = [this] { render(); };
    connect(&document.looks(), &LooksInHand::lookChanged, this, again);
    connect(&document.selection(), &Selection::frameChosen, this, again);
    connect(&document, &Document::opened, this, again);
    connect(&document, &Document::areasChanged, this, again);
    connect(&proxies, &ProxyStore::proxyReady, this, again);
    connect(&screens, &Screens::changed, this, again);
}

void ScreensTab::makePrintChoices()
{
    m_intent = new QComboBox(this);
    m_intent->setObjectName("printIntent");
    m_intent->setAccessibleName(tr("Rendering intent of prints"));
    m_intent->addItems({tr("Relative colorimetric"), tr("Perceptual")});
    m_blackPoint = new QCheckBox(tr("Black point"), this);
    m_blackPoint->setObjectName("printBlackPoint");
    m_blackPoint->setToolTip(tr("Black point compensation: the picture's black is laid on the deepest the ink gives"));
    m_blackPoint->setChecked(true);
    m_paperWhite = new QCheckBox(tr("Paper white"), this);
    m_paperWhite->setObjectName("printPaperWhite");
    m_paperWhite->setToolTip(tr("Shown with the paper's own white and black"));
    m_marks = new QComboBox(this);
    m_marks->setObjectName("printMarks");
    m_marks->setAccessibleName(tr("What is marked on prints"));
    m_marks->addItems({tr("Nothing marked"), tr("Outside its colours marked"), tr("Ink past its limit marked")});
    for (QComboBox* box : {m_intent, m_marks})
        connect(box, &QComboBox::activated, this, [this] { render(); });
    for (QCheckBox* box : {m_blackPoint, m_paperWhite})
        connect(box, &QCheckBox::clicked, this, [this] { render(); });
}

void ScreensTab::makeInkLimit()
{
    m_limit = new QDoubleSpinBox(this);
    m_limit->setObjectName("inkLimit");
    m_limit->setAccessibleName(tr("Most ink, all inks together"));
    m_limit->setToolTip(m_limit->accessibleName());
    m_limit->setButtonSymbols(QAbstractSpinBox::NoButtons);
    m_limit->setRange(100, 400);
    m_limit->setDecimals(0);
    m_limit->setSingleStep(10);
    m_limit->setSuffix(tr(" % ink"));
    m_limit->setValue(280);
    connect(m_limit, &QDoubleSpinBox::valueChanged, this, [this] { render(); });
}

QLayout* ScreensTab::makeHeader()
{
    auto* row = new QHBoxLayout;
    row->setContentsMargins(14, 6, 14, 6);
    row->setSpacing(8);
    m_title = new QLabel(this);
    m_title->setObjectName("screensTitle");
    m_title->setProperty("strong", true);
    makePrintChoices();
    makeInkLimit();
    m_ends = makeButton(this, "takePrintEnds", tr("Take its ends"),
                        tr("An Ends step last in the look: white keeps a little ink, and without black point "
                           "compensation black lands on the deepest the ink gives"),
                        [this] { takeEnds(); });
    row->addWidget(m_title);
    row->addStretch(1);
    row->addWidget(new QLabel(tr("Prints"), this));
    for (QWidget* w : std::initializer_list<QWidget*>{m_intent, m_blackPoint, m_paperWhite, m_marks, m_limit, m_ends})
        row->addWidget(w);
    return row;
}

QWidget* ScreensTab::makePane(int pane)
{
    auto* box = new QWidget(this);
    Pane& p = m_panes[static_cast<std::size_t>(pane)];
    p.choice = new QComboBox(box);
    p.choice->setObjectName(QStringLiteral("seenOn%1").arg(pane + 1));
    p.choice->setAccessibleName(tr("Seen on, picture %1").arg(pane + 1));
    p.choice->setMaximumWidth(260);
    p.view = new PictureView(box);
    p.view->setObjectName(QStringLiteral("seen%1").arg(pane + 1));
    p.words = new QLabel(box);
    p.words->setObjectName(QStringLiteral("seenWords%1").arg(pane + 1));
    p.words->setProperty("onWall", true);
    p.words->setWordWrap(true);
    p.words->setMinimumHeight(36);
    p.words->setAlignment(Qt::AlignTop | Qt::AlignLeft);
    auto* layout = new QVBoxLayout(box);
    layout->setContentsMargins(0, 0, 0, 0);
    layout->setSpacing(2);
    layout->addWidget(p.choice);
    layout->addWidget(p.view, 1);
    layout->addWidget(p.words);
    connect(p.choice, &QComboBox::activated, this, [this, pane](int index) {
        if (index > static_cast<int>(m_profiles.size()))
            askProfile(pane);
        render();
    });
    connect(p.view, &PictureView::resized, this, [this] { render(); });
    return box;
}

void ScreensTab::fillChoices()
{
    for (Pane& p : m_panes) {
        const int now = std::max(0, p.choice->currentIndex());
        p.choice->clear();
        p.choice->addItem(tr("As it is handed over"));
        for (const DeviceProfile& profile : m_profiles)
            p.choice->addItem(text(profile.title));
        p.choice->addItem(tr("Another profile…"));
        p.choice->setCurrentIndex(std::min(now, static_cast<int>(m_profiles.size())));
    }
}

void ScreensTab::choose(int pane, int choice)
{
    m_panes[static_cast<std::size_t>(pane)].choice->setCurrentIndex(choice);
    render();
}

void ScreensTab::askProfile(int pane)
{
    QComboBox* choice = m_panes[static_cast<std::size_t>(pane)].choice;
    choice->setCurrentIndex(0);
    const QString file =
        QFileDialog::getOpenFileName(this, tr("Profile of a screen or printer"), {}, tr("Profiles (*.icc *.icm)"));
    if (file.isEmpty())
        return;
    auto profile = readDeviceProfile(file.toStdString());
    if (!profile) {
        emit m_document.failed(text(profile.error().message()));
        return;
    }
    m_profiles.push_back(std::move(*profile));
    fillChoices();
    choice->setCurrentIndex(static_cast<int>(m_profiles.size()));
}

namespace {

/// A frame through its look, fitted into a space.
Image finished(const Proxy& proxy, const Look& look, const std::shared_ptr<const FrameAreas>& areas, QSize space)
{
    Image small = reducedToFit(proxy.image.view(), space.width(), space.height());
    if (const auto plan = RenderPlan::compile(look))
        render(*plan, small.view(), small.mutableView(), {},
               {RenderOptions::Stage::All, std::max(proxy.info.width, proxy.info.height), 0, 0,
                masksOf(areas, *plan, small.view())});
    return small;
}

}  // namespace

SeenAs::Choices ScreensTab::choices() const
{
    SeenAs::Choices all;
    all.screen = m_screens.standingOf(m_screens.screen()).profile;
    all.print.proofIntent = static_cast<ViewIntent>(m_intent->currentIndex());
    all.print.blackPoint = m_blackPoint->isChecked();
    all.print.paperWhite = m_paperWhite->isChecked();
    all.print.isExact = true;
    all.inkLimit = m_limit->value();
    all.marks = static_cast<PrintMarks>(m_marks->currentIndex());
    return all;
}

void ScreensTab::clear(const QString& message)
{
    m_slot->drop();
    m_print.reset();
    m_ends->setEnabled(false);
    for (Pane& p : m_panes) {
        p.view->clear();
        p.view->setMessage(message);
        p.words->clear();
    }
}

void ScreensTab::render()
{
    if (!isVisible())
        return;
    const Frame* frame = m_document.frame(m_document.selection().frameInHand());
    m_title->setText(frame ? titleOf(*frame) : tr("No frame in hand"));
    const auto proxy = frame ? m_proxies.proxy(frame->id, frame->path) : nullptr;
    if (!proxy)
        return clear(frame ? tr("Reading…") : QString());
    std::vector<std::pair<std::optional<DeviceProfile>, QSize>> wanted;
    for (const Pane& p : m_panes) {
        const int i = p.choice->currentIndex();
        const bool isOther = i > 0 && i <= static_cast<int>(m_profiles.size());
        wanted.emplace_back(isOther ? std::optional(m_profiles[static_cast<std::size_t>(i - 1)]) : std::nullopt,
                            p.view->pictureSpace());
    }
    const auto work = [proxy, wanted, seenAs = m_seenAs, choices = choices(),
                       look = m_document.looks().lookOf(frame->id),
                       areas = m_document.areasOf(frame->id, proxy->sourceRatio)](const CancelToken& cancel) {
        std::vector<SeenPicture> all;
        QSize made;
        Image picture;
        for (const auto& [profile, space] : wanted) {
            if (cancel.isCancelled() || space.isEmpty())
                break;
            if (made != space)
                picture = finished(*proxy, look, areas, space), made = space;
            all.push_back(seenAs->seen(picture.view(), profile, choices));
        }
        return all;
    };
    m_slot->run(work, [this](const std::vector<SeenPicture>& all) { showAll(all); });
}

void ScreensTab::showAll(const std::vector<SeenPicture>& all)
{
    ++m_number;
    m_print.reset();
    for (std::size_t i = 0; i < all.size() && i < m_panes.size(); ++i) {
        m_panes[i].view->setImages(m_number, all[i].picture, all[i].picture);
        m_panes[i].words->setText(all[i].words);
        if (all[i].print)
            m_print = all[i].print;
    }
    m_ends->setEnabled(m_print.has_value());
}

void ScreensTab::takeEnds()
{
    if (!m_print)
        return;
    Look look = m_document.looks().look();
    Ends ends;
    Ends* last = look.steps.empty() ? nullptr : std::get_if<Ends>(&look.steps.back().parameters);
    if (last)
        ends = *last;
    ends.ceiling = std::min(ends.ceiling, std::clamp(m_print->ends.ceiling, 0.6, 1.0));
    if (!m_blackPoint->isChecked())
        ends.floor = std::max(ends.floor, std::clamp(m_print->ends.floor, 0.0, 0.4));
    if (last)
        *last = ends;
    else
        look.steps.emplace_back().parameters = ends;
    m_document.looks().takeLook(look, tr("Ends of the print"));
}

void ScreensTab::showEvent(QShowEvent*) { render(); }

}  // namespace amber
