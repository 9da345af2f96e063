#include "app/places/look/look_place.h"

#include "app/bench/bench.h"
#include "app/findings/findings_panel.h"
#include "app/guide/is_it_so.h"
#include "app/instruments/instruments.h"
#include "app/instruments/key_list.h"
#include "app/intent/intent_panel.h"
#include "app/library/library_view.h"
#include "app/palette/palette_sheet.h"
#include "app/pins/pin_list.h"
#include "app/places/look/look_export.h"
#include "app/places/look/look_header.h"
#include "app/settings/own_settings.h"
#include "app/shortcuts/shortcuts.h"
#include "app/stepline/spot_view.h"
#include "app/stepline/step_line.h"
#include "app/theme/controls.h"
#include "app/theme/panes.h"
#include "app/theme/theme.h"
#include "app/variants/sweep_view.h"
#include "app/variants/tray_view.h"
#include "app/wall/compare_view.h"
#include "core/engine/role_places.h"
#include "core/image/resize.h"
#include "core/look/part.h"

namespace amber {
namespace {
constexpr int kBenchHeight = 248, kHighestBench = 480, kMainColours = 6, kNudgeColours = 48, kScoreEdge = 72,
              kReminderPause = 30000;
constexpr double kDragThreshold = 3;
}  // namespace

LookPlace::LookPlace(Document& document, ProxyStore& proxies, RenderService& renders, QWidget* parent)
    : QWidget(parent), m_document(document), m_proxies(proxies), m_wall(new Wall(document, proxies, renders, this)),
      m_compare(new CompareView(document, *m_wall, this)), m_instruments(new Instruments(document, this)),
      m_stepLine(new StepLine(document, this)), m_bench(new Bench(document, this)),
      m_intent(new IntentPanel(document, this)), m_findings(new FindingsPanel(document, this)),
      m_sweep(new SweepView(document, *m_wall, this)), m_tray(new TrayView(document, proxies, *m_wall, this)),
      m_library(new LibraryView(document, *m_wall, this)), m_spot(new SpotView(proxies.queue(), this)),
      m_leveling(new RenderSlot(proxies.queue(), RenderQueue::Priority::Sheet, this)),
      m_upper(new QStackedWidget(this)), m_lower(new QStackedWidget(this)), m_header(new LookHeader(document, this)),
      m_export(new LookExport(document, proxies, this))
{
    setObjectName("lookPlace");
    for (QWidget* view : std::initializer_list<QWidget*>{m_wall, m_compare, m_sweep, m_tray, m_library})
        m_upper->addWidget(view);
    for (QWidget* panel : std::initializer_list<QWidget*>{m_bench, m_intent, m_findings})
        m_lower->addWidget(panel);
    connectHeader();

    auto* left = new QVBoxLayout;
    left->setSpacing(0);
    left->addWidget(m_header);
    left->addWidget(m_upper, 1);
    left->addWidget(m_stepLine);
    auto* upper = new Panes("lookPanes", Qt::Horizontal, this);
    upper->add(left, {});
    upper->add(m_instruments, Instruments::kPane);
    auto* panes = new Panes("lookBenchPanes", Qt::Vertical, this);
    panes->add(upper, {});
    panes->add(m_lower, {kBenchHeight, kBenchHeight, kHighestBench});
    auto* layout = new QVBoxLayout(this);
    layout->setContentsMargins(0, 0, 0, 0);
    layout->addWidget(panes);

    connectPictures();
    connectParts();
    connectPanels();
    connectNotes();
}

void LookPlace::connectHeader()
{
    const auto turn = [this](View wanted) {
        return [this, wanted] { showView(view() == wanted ? View::Wall : wanted); };
    };
    connect(m_header, &LookHeader::sweepWanted, this, turn(View::Sweep));
    connect(m_header, &LookHeader::trayWanted, this, turn(View::Tray));
    connect(m_header, &LookHeader::libraryWanted, this, turn(View::Library));
    connect(m_header, &LookHeader::intentWanted, this,
            [this](bool on) { showPanel(on ? Panel::Intent : Panel::Bench); });
    connect(m_header, &LookHeader::findingsWanted, this,
            [this](bool on) { showPanel(on ? Panel::Findings : Panel::Bench); });
    connect(m_header, &LookHeader::markWanted, this, &LookPlace::toggleMarking);
    connect(m_header, &LookHeader::splitWanted, this, &LookPlace::toggleSplit);
    connect(m_header, &LookHeader::compareWanted, this, &LookPlace::toggleCompare);
    connect(m_header, &LookHeader::pinWanted, this, &LookPlace::askPin);
    connect(m_header, &LookHeader::secondLookWanted, this, &LookPlace::takeSecondLook);
    connect(m_header, &LookHeader::viewMenuWanted, this, &LookPlace::fillViewMenu);
}

void LookPlace::refreshHeader() { m_header->refresh(isComparing()); }

void LookPlace::connectParts()
{
    const auto back = [this] { showView(View::Wall); };
    connect(m_compare, &CompareView::closed, this, back);
    connect(m_sweep, &SweepView::closed, this, back);
    connect(m_tray, &TrayView::closed, this, back);
    connect(m_library, &LibraryView::closed, this, back);
    connect(m_library, &LibraryView::exportRequested, m_export, &LookExport::ask);
    connect(m_stepLine, &StepLine::markChosen, this, &LookPlace::showSpot);
    connect(m_stepLine, &StepLine::keepWanted, this, [this](int first, int last) {
        const Look part =
            partOf(m_document.looks().look(), static_cast<std::size_t>(first), static_cast<std::size_t>(last));
        const auto proxy = m_wall->proxyInHand();
        m_library->shared().askToKeep(first == last ? PartKind::Step : PartKind::Group, part,
                                      proxy ? proxy->image : Image(), this);
    });
    connect(&m_instruments->keys(), &KeyList::chosen, m_wall, &Wall::setNamedMark);
    connect(&m_document.looks(), &LooksInHand::lookChanged, this, [this] { probeAt(m_place); });
    connect(&m_document.looks(), &LooksInHand::selectionChanged, this, [this] {
        pickNext(nullptr);
        probeAt(m_place);
        showPanel(Panel::Bench);
    });
    connect(&m_document.looks(), &LooksInHand::revisionsChanged, this, &LookPlace::refreshHeader);
    connect(&m_document, &Document::chosenLooksChanged, this, &LookPlace::refreshHeader);
    connect(&m_document, &Document::framesChanged, this, &LookPlace::refreshHeader);
    connect(&m_document, &Document::historyChanged, this, &LookPlace::refreshHeader);
    connect(&m_document.looks(), &LooksInHand::stepsChanged, this, &LookPlace::refreshHeader);
    connect(&m_document.selection(), &Selection::asideChanged, this, &LookPlace::remindOfSecondLook);
    connect(&m_document, &Document::opened, this, [this] { showView(View::Wall); });
    auto* reminder = new QTimer(this);
    reminder->setInterval(kReminderPause);
    connect(reminder, &QTimer::timeout, this, &LookPlace::remindOfSecondLook);
    reminder->start();
    connect(&OwnSettings::instance(), &OwnSettings::changed, this, &LookPlace::remindOfSecondLook);
}

void LookPlace::connectPanels()
{
    m_bench->setPictureSource([this] { return entering(); });
    const auto pick = [this](const std::function<void(const Probe&)>& take) { pickNext(take); };
    m_bench->setPicking(m_proxies.queue(), pick);
    m_instruments->keys().setPicking(m_proxies.queue(), pick);
    m_bench->setLevel([this](const std::string& role, AreaMeasure measure) { levelWith(role, measure); });
    m_bench->setColourSource([this] {
        const auto proxy = m_wall->proxyInHand();
        return proxy ? someColours(proxy->samples.view(), kNudgeColours) : std::vector<LinearRgb>{};
    });
    connect(m_bench, &Bench::overlayWanted, m_wall, &Wall::setOverlay);
    connect(m_bench, &Bench::extremeHeld, &m_wall->inHand(), &PictureView::setHeld);
    m_intent->frames = [this] { return framesOfWall(); };
    m_findings->picture = [this] {
        const auto proxy = m_wall->proxyInHand();
        return proxy ? proxy->samples : Image();
    };
    m_findings->pictures = [this] {
        std::vector<Image> all;
        std::vector<std::int64_t> frames{m_document.selection().frameInHand()};
        frames.insert(frames.end(), m_document.selection().companions().begin(),
                      m_document.selection().companions().end());
        for (const std::int64_t id : frames)
            if (const Frame* frame = m_document.frame(id))
                if (const auto proxy = m_proxies.proxy(id, frame->path))
                    all.push_back(proxy->samples);
        return all;
    };
    refreshHeader();
}

void LookPlace::connectPictures()
{
    connect(m_wall, &Wall::measured, this, [this](const MeasuredFrame& frame) {
        m_instruments->setMeasures(frame);
        m_masks = frame.masks, m_masked = m_document.selection().frameInHand();
        m_bench->setEntering(frame.entering);
        m_intent->setHues(frame.after.hue);
    });
    connect(m_wall, &Wall::traced, this, [this](const LookTrace& trace) {
        m_instruments->setTrace(trace);
        m_stepLine->setTrace(trace);
        m_findings->setTrace(trace);
    });
    connect(m_wall, &Wall::proxyChanged, this, &LookPlace::renew);
    PictureView& picture = m_wall->inHand();
    connect(&picture, &PictureView::hovered, this, [this](QPointF place) { probeAt(place); });
    connect(&picture, &PictureView::left, this, [this] { probeAt(std::nullopt); });
    connect(&picture, &PictureView::marked, this, &LookPlace::mark);
    connect(&picture, &PictureView::markingEnded, this, &LookPlace::toggleMarking);
    connect(&picture, &PictureView::activated, this, [this] {
        if (m_pick)
            return pickAt(m_place.value_or(QPointF(0.5, 0.5)));
        m_wall->setActualSize(!m_wall->isActualSize(), m_place.value_or(QPointF(0.5, 0.5)));
    });
    connectDrags();
}

void LookPlace::connectDrags()
{
    PictureView& picture = m_wall->inHand();
    connect(&picture, &PictureView::dragBegun, this, [this](QPointF place) { m_dragPlace = place; });
    connect(&picture, &PictureView::dragMoved, this, [this](QPointF delta) {
        if (!m_dragging && m_dragPlace && !m_pick && std::abs(delta.y()) >= kDragThreshold)
            if (const auto probe = read(pointAt(*m_dragPlace)))
                m_dragging = m_bench->beginPictureDrag(*probe);
        if (m_dragging)
            m_bench->dragPicture(delta);
    });
    connect(&picture, &PictureView::dragEnded, this, [this] {
        if (m_dragging)
            m_bench->endPictureDrag();
        else if (m_dragPlace && m_pick)
            pickAt(*m_dragPlace);
        m_dragging = false;
        m_dragPlace.reset();
    });
}

void LookPlace::pickNext(const std::function<void(const Probe&)>& take)
{
    m_pick = take;
    m_wall->inHand().setHeld(take ? tr("click a colour, or the arrow keys and Enter; Esc leaves it") : QString());
    if (take)
        m_wall->inHand().setFocus(Qt::OtherFocusReason);
}

void LookPlace::pickAt(QPointF place)
{
    const auto take = m_pick;
    pickNext(nullptr);
    if (const auto probe = read(pointAt(place)))
        take(*probe);
}

void LookPlace::keyPressEvent(QKeyEvent* event)
{
    if (event->key() == Qt::Key_Escape && m_pick)
        return pickNext(nullptr);
    QWidget::keyPressEvent(event);
}

void LookPlace::fillViewMenu(QMenu& menu)
{
    menu.clear();
    const auto add = [&](const QString& words, bool on, const char* keys, auto&& act) {
        QAction* action = menu.addAction(
            keys ? words + QStringLiteral("\t") + keysOf(keys).toString(QKeySequence::NativeText) : words, this, act);
        action->setCheckable(true);
        action->setChecked(on);
    };
    add(tr("Quiet view: only the picture"), m_quiet, "quiet", [this] { emit quietWanted(!m_quiet); });
    add(tr("100 %: pixel for pixel"), m_wall->isActualSize(), "actual", [this] { toggleActualSize(); });
    add(tr("Blind: hide numbers"), theme::isBlind(), nullptr, [] { theme::setBlind(!theme::isBlind()); });
    addSplitMenus(menu);
    addHeading(menu, tr("Wall behind the pictures, L*"));
    for (int lightness : {20, 35, 50, 65, 80, 96})
        add(lightness == 50   ? tr("50, print viewing")
            : lightness == 96 ? tr("96, paper")
                              : QString::number(lightness),
            theme::surround() == lightness, nullptr, [this, lightness] {
                theme::setSurround(lightness);
                m_document.changeDesk([&](Desk& desk) { desk.surround = lightness; });
            });
    addHeading(menu, tr("Theme"));
    const QString themes[] = {tr("Print room"), tr("Dim"), tr("High contrast")};
    for (int i = 0; i < 3; ++i)
        add(themes[i], static_cast<int>(theme::current()) == i, nullptr, [this, i] { emit themeWanted(i); });
    addNotesMenu(menu);
}

void LookPlace::addNotesMenu(QMenu& menu)
{
    addHeading(menu, tr("Notes"));
    const auto note = [&](const QString& words, const char* keys, auto&& act) {
        menu.addAction(words + QStringLiteral("\t") + keysOf(keys).toString(QKeySequence::NativeText), this, act)
            ->setEnabled(m_document.isOpen());
    };
    note(tr("Set a pin on the picture…"), "remark", [this] { toggleRemarking(); });
    note(tr("Palette test…"), "palette", [this] { showPalette(); });
    note(tr("Is it so?"), "isItSo", [this] { showIsItSo(); });
    addHeading(menu, tr("Frames"));
    menu.addAction(tr("Trial frames: companions that differ most"), this, [this] { emit trialFramesWanted(); });
    menu.addAction(tr("Put this frame aside for a second look"), this, [this] { m_document.selection().putAside(); });
    if (!m_document.selection().aside().empty())
        menu.addAction(tr("Take the second look now"), this, [this] { takeSecondLook(); });
    if (!m_document.job().frame(m_document.selection().frameInHand()).framing.isWhole())
        menu.addAction(tr("Count the whole picture again"), this,
                       [this] { m_document.setFraming(m_document.selection().frameInHand(), {}); });
}

/// The split line can hold any two of the three befores and the result.
void LookPlace::addSplitMenus(QMenu& menu)
{
    addHeading(menu, tr("Split line"));
    for (const bool isLeft : {true, false}) {
        auto [left, right] = m_wall->splitStates();
        QMenu* side =
            menu.addMenu((isLeft ? tr("Left: %1") : tr("Right: %1")).arg(Wall::wordsOf(isLeft ? left : right)));
        side->setObjectName(isLeft ? "splitLeft" : "splitRight");
        for (const Wall::State state :
             {Wall::State::AsItCame, Wall::State::Balanced, Wall::State::BeforeStep, Wall::State::Result}) {
            QAction* action = side->addAction(Wall::wordsOf(state), this, [this, isLeft, state] {
                const auto [l, r] = m_wall->splitStates();
                m_wall->setSplitStates(isLeft ? state : l, isLeft ? r : state);
                m_wall->setSplit(true);
                m_header->setChecked(LookHeader::Split, true);
            });
            action->setCheckable(true);
            action->setChecked(state == (isLeft ? left : right));
        }
    }
}

void LookPlace::remindOfSecondLook()
{
    const auto aside = m_document.selection().aside();
    const qint64 now = QDateTime::currentSecsSinceEpoch();
    const Frame* frame = aside.empty() ? nullptr : m_document.frame(aside.front().frame);
    const bool due = OwnSettings::instance().get().secondLook && frame &&
                     now - aside.front().leftAt >= Selection::kSecondLookSeconds;
    m_header->showSecondLook(due ? titleOf(*frame) : QString());
}

void LookPlace::takeSecondLook()
{
    const auto aside = m_document.selection().takeSecondLook();
    if (!aside)
        return;
    // Beside the version left behind, when it is another one by now.
    const auto left = m_document.looks().lookAt(aside->revision);
    if (left && *left != m_document.looks().look()) {
        showView(View::Compare);
        m_compare->showAgainst(*left, tr("as it was left"));
    }
}

Result<QString> LookPlace::exportTable(const QString& path) const { return m_export->writeTable(path); }

LookPlace::View LookPlace::view() const { return static_cast<View>(m_upper->currentIndex()); }

void LookPlace::showView(View view)
{
    if (view == View::Compare && !m_document.isOpen())
        view = View::Wall;
    m_upper->setCurrentIndex(static_cast<int>(view));
    m_header->setComparing(view == View::Compare);
    m_header->setChecked(LookHeader::Sweep, view == View::Sweep);
    m_header->setChecked(LookHeader::Tray, view == View::Tray);
    m_header->setChecked(LookHeader::Library, view == View::Library);
    if (view == View::Compare)
        m_compare->refresh();
    else if (view == View::Sweep)
        m_sweep->begin(), m_sweep->sheet().setFocus();
    else if (view == View::Tray)
        m_tray->refresh(), m_tray->sheet().setFocus();
    else if (view == View::Library)
        m_library->refresh(), m_library->sheet().setFocus();
    refreshHeader();
}

void LookPlace::showPanel(Panel panel)
{
    m_lower->setCurrentIndex(static_cast<int>(panel));
    m_header->setChecked(LookHeader::Intent, panel == Panel::Intent);
    m_header->setChecked(LookHeader::Findings, panel == Panel::Findings);
    if (panel == Panel::Intent)
        m_intent->refresh();
}

void LookPlace::setQuiet(bool on)
{
    m_quiet = on;
    if (on)
        showView(View::Wall);
    for (QWidget* w : std::initializer_list<QWidget*>{m_header, m_instruments, m_stepLine, m_lower})
        w->setVisible(!on);
    m_wall->setQuiet(on);
}

void LookPlace::toggleActualSize()
{
    m_wall->setActualSize(!m_wall->isActualSize(), m_place.value_or(QPointF(0.5, 0.5)));
}

void LookPlace::toggleMarking()
{
    const bool on = !m_wall->inHand().isMarking() && m_document.isOpen();
    if (on)
        showView(View::Wall);
    m_wall->inHand().setMarking(on);
    m_wall->inHand().setHeld(on ? tr("click a key colour, drag a region, Esc ends") : QString());
    m_wall->showMarks();
    m_header->setChecked(LookHeader::Mark, on);
    m_region.reset();
    m_isRemarking = false;
}

void LookPlace::holdExtreme(int way)
{
    if (way == m_extreme)
        return;
    m_extreme = way;
    m_bench->holdExtreme(way);
}

Region LookPlace::pointAt(QPointF place) const
{
    const auto proxy = m_wall->proxyInHand();
    const double half = 1.5;
    const double width = proxy ? proxy->image.width() : 1000, height = proxy ? proxy->image.height() : 1000;
    return {place.x() - half / width, place.y() - half / height, place.x() + half / width, place.y() + half / height};
}

void LookPlace::nameKey(const Region& place)
{
    const auto proxy = m_wall->proxyInHand();
    if (!proxy)
        return;
    const auto name = askLine(
        this, {"keyNameDialog", tr("Key colour"), tr("What is it? The name stays with the shoot"), {}, tr("Mark")});
    if (!name)
        return;
    auto keys = m_document.job().keys;
    KeyColour key;
    key.name = (name->isEmpty() ? tr("key %1").arg(keys.size() + 1) : *name).toStdString();
    key.frame = m_document.selection().frameInHand();
    key.place = place;
    key.marked = meanOf(proxy->samples.view(), place);
    keys.push_back(key);
    m_document.setKeyColours(keys, tr("Key colour marked"));
}

void LookPlace::mark(const QRectF& drawn)
{
    const auto proxy = m_wall->proxyInHand();
    if (!proxy)
        return;
    if (m_isRemarking) {
        toggleMarking();
        return amber::askPin(m_document, Spot{drawn.center().x(), drawn.center().y()}, std::nullopt, this);
    }
    if (drawn.isEmpty())
        return nameKey(pointPlace(drawn.x(), drawn.y(), proxy->image.width(), proxy->image.height()));
    const Region region{drawn.left(), drawn.top(), drawn.right(), drawn.bottom()};
    const std::int64_t frame = m_document.selection().frameInHand();
    QMenu menu(this);
    menu.setObjectName("regionMenu");
    menu.addAction(tr("Key colour…"), this, [&] { nameKey(region); });
    menu.addAction(tr("Read this region"), this, [&] {
        m_region = region;
        probeAt(drawn.center());
    });
    menu.addAction(tr("Leave out of the measures"), this, [&] {
        Framing framing = m_document.job().frame(frame).framing;
        framing.leftOut.push_back(region);
        m_document.setFraming(frame, framing);
    });
    menu.addAction(tr("Crop to this"), this, [&] {
        FrameBalance balance = m_document.balances().of(frame);
        const Region& c = balance.geometry.crop;
        const double w = c.right - c.left, h = c.bottom - c.top;
        balance.geometry.crop = {c.left + region.left * w, c.top + region.top * h, c.left + region.right * w,
                                 c.top + region.bottom * h};
        balance.geometry.ratio = 0;
        m_document.balances().set({{frame, balance}}, tr("Frame cropped"));
    });
    menu.exec(m_wall->inHand().mapToGlobal(m_wall->inHand().rect().center()));
}

void LookPlace::showSpot(int step, int mark)
{
    const auto& trace = m_stepLine->trace();
    auto proxy = m_wall->proxyInHand();
    FrameId shown = m_document.selection().frameInHand();
    const Look look = m_document.looks().lookOf(shown);
    if (!trace || !proxy || step >= static_cast<int>(look.steps.size()))
        return;
    Region place;
    QString where = tr("the whole picture");
    if (m_stepLine->isOfKey(mark)) {
        const KeyColour& key = trace->keys[static_cast<std::size_t>(mark - StepLine::kMeasureMarks)];
        place = key.place;
        where = keyColourTitle(key);
        if (key.frame != shown) {
            const Frame* frame = m_document.frame(key.frame);
            const auto other = frame ? m_proxies.proxy(key.frame, frame->path) : nullptr;
            if (!other)
                return;
            proxy = other, shown = key.frame;
            where = tr("%1 in %2").arg(where, titleOf(*frame));
        }
    }
    const QRect at = m_stepLine->markRect(step, mark);
    m_spot->show(look, step, proxy, m_document.areasOf(shown, proxy->sourceRatio), place,
                 tr("%1 · %2").arg(stepTitle(look.steps[static_cast<std::size_t>(step)]), where),
                 m_stepLine->markWords(step, mark), m_stepLine->mapToGlobal(at.center()));
}

std::vector<BeforeAfter> LookPlace::framesOfWall() const
{
    std::vector<BeforeAfter> all;
    std::vector<std::int64_t> frames{m_document.selection().frameInHand()};
    frames.insert(frames.end(), m_document.selection().companions().begin(), m_document.selection().companions().end());
    for (const std::int64_t id : frames)
        if (const Frame* frame = m_document.frame(id))
            if (const auto proxy = m_proxies.proxy(id, frame->path)) {
                // Single pixels: steps by place pass by, as no part of the card is about them but grain, which is read
                // off the look.
                const Framing framing = m_document.countedFraming(id);
                const Size size = fitted({proxy->samples.width(), proxy->samples.height()}, kScoreEdge);
                const Image few = sampleGrid(proxy->samples.view(), size.width, size.height);
                const ImageView samples = few.view();
                std::vector<KeyColour> keys;
                for (const MainColour& c : mainColours(samples, kMainColours)) {
                    KeyColour key;
                    key.frame = id, key.marked = c.colour,
                    key.place = pointPlace(c.x, c.y, samples.width, samples.height);
                    keys.push_back(key);
                }
                Look colours = m_document.looks().lookOf(id);
                std::erase_if(colours.steps, [](const Step& s) { return isSpatial(s); });
                if (const auto trace = traceLook(colours, samples, id, keys, framing))
                    all.push_back({trace->states.front(), trace->states.back()});
            }
    return all;
}

void LookPlace::renew()
{
    const auto proxy = m_wall->proxyInHand();
    m_stepLine->setColours(proxy ? mainColours(proxy->image.view(), kMainColours) : std::vector<MainColour>{});
    if (!proxy)
        m_instruments->clear();
    probeAt(std::nullopt);
}

Image LookPlace::entering() const
{
    const auto proxy = m_wall->proxyInHand();
    if (!proxy)
        return {};
    Image picture = proxy->samples;
    if (const auto plan = RenderPlan::compile(m_document.looks().lookOf(m_document.selection().frameInHand()),
                                              static_cast<std::size_t>(m_document.looks().selectedStep()))) {
        RenderOptions options{RenderOptions::Stage::All, std::max(proxy->info.width, proxy->info.height)};
        if (m_masked == m_document.selection().frameInHand())
            options.masks = m_masks;
        amber::render(*plan, picture.view(), picture.mutableView(), {}, options);
    }
    return picture;
}

std::optional<Probe> LookPlace::read(const Region& place) const
{
    const auto proxy = m_wall->proxyInHand();
    if (!proxy)
        return std::nullopt;
    Probe probe;
    probe.in = meanOf(proxy->image.view(), place);
    const FrameId shown = m_document.selection().frameInHand();
    Look look = m_document.looks().lookOf(shown);
    if (m_masks && m_masked == shown)
        look = lookAt(std::move(look),
                      weightsAt(*m_masks, (place.left + place.right) / 2, (place.top + place.bottom) / 2));
    probe.entering = evaluate(look, probe.in, static_cast<std::size_t>(m_document.looks().selectedStep()));
    probe.out = evaluate(look, probe.in);
    probe.leavesOut =
        std::any_of(look.steps.begin(), look.steps.end(), [](const Step& s) { return isSpatial(s) && !isIdentity(s); });
    return probe;
}

void LookPlace::probeAt(std::optional<QPointF> place)
{
    if (m_region && place &&
        !(*place ==
          QRectF(QPointF(m_region->left, m_region->top), QPointF(m_region->right, m_region->bottom)).center()))
        m_region.reset();
    m_place = place;
    const auto probe = place ? read(m_region ? *m_region : pointAt(*place)) : std::nullopt;
    m_instruments->setProbe(probe);
    m_bench->setProbe(probe);
}

void LookPlace::toggleSplit()
{
    const bool on = !m_wall->inHand().isSplit();
    m_wall->setSplit(on);
    m_header->setChecked(LookHeader::Split, on);
}

void LookPlace::askPin()
{
    if (!m_document.isOpen())
        return;
    const LineQuestion question{
        "pinDialog", tr("Pin this version"), tr("Note, for the day you come back to it"), {}, tr("Pin")};
    if (const auto note = askLine(this, question))
        m_document.looks().pin(*note, theme::surround());
}

bool LookPlace::isComparing() const { return view() == View::Compare; }

void LookPlace::toggleCompare() { showView(!isComparing() && m_document.isOpen() ? View::Compare : View::Wall); }

}  // namespace amber
