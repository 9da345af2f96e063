#include "app/places/proof/finding_panel.h"

#include "app/display/screen_view.h"
#include "app/places/proof/checks_model.h"
#include "app/render/finished.h"
#include "app/theme/controls.h"
#include "app/theme/theme.h"
#include "app/wall/picture_view.h"
#include "app/words/words.h"
#include "core/base/utc_time.h"
#include "core/image/resize.h"

#include <QtWidgets>

namespace amber {
namespace {

/// A part of a picture, fitted into a space; never larger than twice its pixels.
QImage partOnScreen(ImageView picture, const QRectF& part, QSize space)
{
    const int left = std::clamp(static_cast<int>(part.left() * picture.width), 0, picture.width - 1),
              top = std::clamp(static_cast<int>(part.top() * picture.height), 0, picture.height - 1);
    const int width = std::clamp(static_cast<int>(std::lround(part.width() * picture.width)), 1, picture.width - left),
              height =
                  std::clamp(static_cast<int>(std::lround(part.height() * picture.height)), 1, picture.height - top);
    Image own(width, height);
    for (int y = 0; y < height; ++y)
        std::copy_n(picture.row(top + y) + std::ptrdiff_t{3} * left, std::ptrdiff_t{3} * width,
                    own.mutableView().row(y));
    if (width > space.width() || height > space.height())
        own = reducedToFit(own.view(), space.width(), space.height());
    const QImage shown = toScreen(own.view());
    const QSize fitted = shown.size().scaled(space.boundedTo(shown.size() * 2), Qt::KeepAspectRatio);
    return fitted == shown.size() ? shown : shown.scaled(fitted, Qt::IgnoreAspectRatio, Qt::SmoothTransformation);
}

/// A finding kept for later.
void pinFinding(Document& document, const Finding& finding, const std::string& use)
{
    const Region& place = finding.measured.place;
    Pin pin;
    pin.from = Pin::From::Check, pin.frame = finding.frame, pin.made = utcNow();
    pin.text = FindingPanel::tr(finding.kind->title).toStdString() + ": " + finding.measured.words;
    pin.about = useTitle(use).toStdString();
    if (!place.isWhole() && place.right > place.left && place.bottom > place.top)
        pin.place = Spot{(place.left + place.right) / 2, (place.top + place.bottom) / 2};
    Job after = document.job();
    after.pins[after.nextPin()] = pin;
    document.commit(after, FindingPanel::tr("Pin set: %1").arg(text(pin.text)));
}

}  // namespace

FindingPanel::FindingPanel(Document& document, ProxyStore& proxies, ShootAudit& audit, QWidget* parent)
    : QWidget(parent), m_document(document), m_proxies(proxies), m_audit(audit), m_place(new PictureView(this)),
      m_whole(new PictureView(this)), m_slot(new RenderSlot(proxies.queue(), RenderQueue::Priority::InHand, this))
{
    setObjectName("findingPanel");
    m_place->setObjectName("findingPlace");
    m_place->setInteractive(true);
    m_place->setSplitWords(tr("as it is"), tr("with the cure"));
    m_whole->setObjectName("findingWhole");
    m_whole->setInteractive(true);
    m_whole->setCaption(tr("whole frame"));
    m_whole->setFixedSize(196, 152);
    makeWords();
    makeButtons();
    layOut();
    connect(m_place, &PictureView::resized, this, &FindingPanel::refresh);
    connect(&ScreenView::instance(), &ScreenView::changed, this, &FindingPanel::refresh);
    connect(&audit, &ShootAudit::cureTried, this, &FindingPanel::refresh);
    connect(&proxies, &ProxyStore::proxyReady, this, [this](std::int64_t frame) {
        if (m_finding && frame == m_finding->frame)
            refresh();
    });
}

void FindingPanel::makeWords()
{
    const auto label = [this](const char* name, const char* property, bool wraps) {
        auto* l = new QLabel(this);
        l->setObjectName(name);
        if (*property)
            l->setProperty(property, true);
        l->setWordWrap(wraps);
        return l;
    };
    m_title = label("findingTitle", "strong", false);
    m_title->setSizePolicy(QSizePolicy::Ignored, QSizePolicy::Preferred);
    m_position = label("findingPosition", "quiet", false);
    m_measured = label("findingMeasured", "", true);
    m_because = label("findingBecause", "quiet", true);
    m_cureWords = label("findingCure", "", true);
}

void FindingPanel::makeButtons()
{
    m_take = makeButton(this, "findingTake", tr("Take the cure"),
                        tr("It becomes part of the frame's light or look; Ctrl+Z takes it back"), [this] {
                            const CureTried* tried = m_finding ? m_audit.cureOf(*m_finding) : nullptr;
                            if (tried && tried->cure)
                                m_audit.take(*m_finding, Cure(*tried->cure));
                        });
    m_accept = makeButton(this, "findingAccept", tr("Accept…"),
                          tr("Let it stand, with the reason; it opens again when it gets worse"), [this] {
                              if (!m_finding)
                                  return;
                              if (m_audit.acceptanceOf(*m_finding))
                                  m_audit.reopen(Finding(*m_finding));
                              else
                                  askReason();
                          });
    makeButton(this, "findingPin", tr("Pin it"), tr("A pin for later, at its place; hand over asks about it"), [this] {
        if (m_finding)
            pinFinding(m_document, *m_finding, m_audit.use().name);
    });
    m_previous = makeButton(this, "findingPrevious", tr("Previous"), tr("The finding before this one (Shift+N)"),
                            [this] { emit nextWanted(-1); });
    m_next = makeButton(this, "findingNext", tr("Next"), tr("The next finding (N)"), [this] { emit nextWanted(1); });
}

void FindingPanel::layOut()
{
    auto* wall = new QWidget(this);
    wall->setObjectName("findingWall");
    wall->setAttribute(Qt::WA_StyledBackground);
    auto* pictures = new QVBoxLayout(wall);
    pictures->setContentsMargins(10, 4, 10, 8);
    pictures->addWidget(m_place, 1);
    auto* head = new QHBoxLayout;
    head->addWidget(m_title, 1);
    head->addWidget(m_position);
    head->addWidget(findChild<QPushButton*>("findingPin"));
    auto* words = new QVBoxLayout;
    words->setSpacing(6);
    words->addLayout(head);
    words->addWidget(m_measured);
    words->addWidget(m_because);
    words->addWidget(m_cureWords);
    words->addStretch(1);
    auto* beside = new QHBoxLayout;
    beside->setSpacing(14);
    beside->addWidget(m_whole, 0, Qt::AlignTop);
    beside->addLayout(words, 1);
    auto* buttons = new QHBoxLayout;
    buttons->addWidget(m_take);
    buttons->addWidget(m_accept);
    buttons->addStretch(1);
    buttons->addWidget(m_previous);
    buttons->addWidget(m_next);
    auto* below = new QVBoxLayout;
    below->setContentsMargins(14, 10, 14, 12);
    below->setSpacing(8);
    below->addLayout(beside);
    below->addLayout(buttons);
    auto* layout = new QVBoxLayout(this);
    layout->setContentsMargins(0, 0, 0, 0);
    layout->setSpacing(0);
    layout->addWidget(wall, 1);
    layout->addLayout(below);
}

void FindingPanel::setMessage(const QString& message)
{
    m_finding.reset();
    m_slot->drop();
    m_place->clear(), m_whole->clear();
    m_place->setCaption({}), m_place->setMessage(message);
    refresh();
}

void FindingPanel::show(const Finding* finding, const QString& position)
{
    const bool isOther = !m_finding || !finding || m_finding->frame != finding->frame ||
                         m_finding->kind != finding->kind || m_finding->measured.part != finding->measured.part;
    m_finding = finding ? std::optional(*finding) : std::nullopt;
    m_position->setText(position);
    if (isOther)
        m_place->setSplit(false);
    refresh();
}

QRectF FindingPanel::partOf(const Region& place) const
{
    constexpr double kLeast = 0.3, kRoom = 2.2;
    if (place.right <= place.left || place.bottom <= place.top || place.isWhole())
        return {0, 0, 1, 1};
    const double size = std::clamp(kRoom * std::max(place.right - place.left, place.bottom - place.top), kLeast, 1.0);
    const auto from = [size](double low, double high) { return std::clamp((low + high - size) / 2, 0.0, 1 - size); };
    return {from(place.left, place.right), from(place.top, place.bottom), size, size};
}

void FindingPanel::writeWords(const CureTried* tried)
{
    const Finding& f = *m_finding;
    const Acceptance* accepted = m_audit.acceptanceOf(f);
    m_title->setText(tr(f.kind->title));
    QString measured = sentence(f.measured.words);
    if (!measured.isEmpty())
        measured[0] = measured[0].toUpper();
    m_measured->setText(
        tr("%1. Limit for %2: %3.")
            .arg(measured, useTitle(m_audit.use().name), inUnit(theme::number(f.limit, f.kind->decimals), *f.kind)));
    m_because->setText(tr(f.kind->because));
    if (accepted)
        m_cureWords->setText(tr("Accepted: %1").arg(text(accepted->reason)));
    else if (m_audit.isStale())
        m_cureWords->setText(tr("Changed since it was measured."));
    else if (!tried)
        m_cureWords->setText(tr("Trying cures…"));
    else if (tried->cure)
        m_cureWords->setText(
            tr("Cure: %1. It would leave %2%3; nothing else passes its limit.")
                .arg(sentence(tried->cure->words), inUnit(theme::number(tried->cure->after, f.kind->decimals), *f.kind),
                     tried->cure->keysMoved > 0.05
                         ? tr(", and key colours move by ΔE %1 at most").arg(theme::number(tried->cure->keysMoved, 1))
                         : QString()));
    else
        m_cureWords->setText(tr("No cure: %1.").arg(text(tried->why)));
    m_accept->setText(accepted ? tr("Open again") : tr("Accept…"));
}

void FindingPanel::refresh()
{
    const Acceptance* accepted = m_finding ? m_audit.acceptanceOf(*m_finding) : nullptr;
    const CureTried* tried = m_finding && !accepted && isVisible() ? m_audit.cureOf(*m_finding) : nullptr;
    m_take->setEnabled(tried && tried->cure && !m_audit.isStale());
    m_accept->setEnabled(m_finding.has_value());
    m_next->setEnabled(!m_audit.findings().empty());
    m_previous->setEnabled(!m_audit.findings().empty());
    m_whole->setVisible(m_finding && partOf(m_finding->measured.place) != QRectF(0, 0, 1, 1));
    if (m_finding) {
        writeWords(tried);
        render(tried);
        return;
    }
    m_position->clear();
    for (QLabel* label : {m_title, m_measured, m_because, m_cureWords})
        label->clear();
}

void FindingPanel::render(const CureTried* tried)
{
    const Finding& f = *m_finding;
    const Frame* frame = m_document.frame(f.frame);
    const auto proxy = frame ? m_proxies.untouched(f.frame, frame->path) : nullptr;
    m_place->setCaption(frame ? titleOf(*frame) : QString());
    const QSize space = m_place->pictureSpace();
    if (!proxy || space.isEmpty()) {
        m_place->clear(), m_whole->clear();
        m_place->setMessage(tr("Reading…"));
        return;
    }
    const auto madeBy = [&](const FrameBalance& balance, const Look& look) {
        const Look own = lookFor(look, m_document.looks().pictureName(f.frame));
        return FrameMade{balance, m_document.balances().responseOf(balance), own,
                         m_document.areasFor(own, f.frame, balance, proxy->sourceRatio)};
    };
    const FrameMade now = madeBy(m_document.balances().of(f.frame), *m_document.looks().onFrame(f.frame));
    const auto cured = tried && tried->cure
                           ? std::optional(madeBy(tried->cure->treatment.balance, tried->cure->treatment.look))
                           : std::nullopt;
    const QRectF part = partOf(f.measured.place);
    const auto work = [proxy, now, cured, part, space, small = m_whole->pictureSpace()](const CancelToken&) {
        Pictures made;
        const Image picture = finished(*proxy, now);
        made.now = partOnScreen(picture.view(), part, space);
        made.whole = partOnScreen(picture.view(), {0, 0, 1, 1}, small);
        if (cured)
            made.cured = partOnScreen(finished(*proxy, *cured).view(), part, space);
        return made;
    };
    m_slot->run(work, [this, part, place = f.measured.place](const Pictures& made) { put(made, part, place); });
}

void FindingPanel::put(const Pictures& made, const QRectF& part, const Region& place)
{
    ++m_number;
    std::vector<PictureView::Mark> marks;
    if (part != QRectF(0, 0, 1, 1))
        marks.push_back({place, QString(), false});
    m_place->setPart(part);
    m_place->setMarks(marks, {});
    m_place->setImages(m_number, made.cured.isNull() ? made.now : made.cured, made.now);
    m_place->setSplit(!made.cured.isNull());
    m_whole->setMarks(marks, {});
    m_whole->setImages(m_number, made.whole, made.whole);
}

void FindingPanel::askReason()
{
    const Finding finding = *m_finding;
    const auto reason =
        askLine(this, {"findingReason", tr("Accept the finding"),
                       tr("Why it may stand; it is kept in the log and in the report:"), QString(), tr("Accept")});
    if (reason && !reason->isEmpty())
        m_audit.accept(finding, *reason);
}

}  // namespace amber
