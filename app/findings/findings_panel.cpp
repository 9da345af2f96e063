#include "app/findings/findings_panel.h"

#include "app/bench/scope_words.h"
#include "app/guide/is_it_so.h"
#include "app/task/task.h"
#include "app/theme/theme.h"
#include "core/analysis/tint.h"
#include "core/colour/oklab.h"
#include "core/look/afterwards.h"

namespace amber {
namespace {
constexpr int kColours = 240;
}

FindingsPanel::FindingsPanel(Document& document, QWidget* parent)
    : QWidget(parent), m_document(document), m_repairing(new Task(this))
{
    setObjectName("findingsPanel");
    auto* layout = new QHBoxLayout(this);
    layout->setContentsMargins(14, 10, 14, 8);
    layout->setSpacing(24);
    const auto column = [&](const QString& title, const char* name, int stretch) {
        auto* scroll = new QScrollArea(this);
        scroll->setObjectName(name);
        scroll->setAccessibleName(title);
        scroll->setFrameShape(QFrame::NoFrame);
        scroll->setWidgetResizable(true);
        scroll->setHorizontalScrollBarPolicy(Qt::ScrollBarAlwaysOff);
        auto* inner = new QWidget(scroll);
        inner->setObjectName("desk");
        auto* rows = new QVBoxLayout(inner);
        rows->setContentsMargins(0, 0, 6, 0);
        rows->setSpacing(6);
        scroll->setWidget(inner);
        auto* heading = new QLabel(title, this);
        heading->setProperty("strong", true);
        auto* box = new QVBoxLayout;
        box->addWidget(heading);
        box->addWidget(scroll, 1);
        layout->addLayout(box, stretch);
        return rows;
    };
    m_undoing = column(tr("Steps that undo one another"), "findingsUndoing", 4);
    m_levels = column(tr("Moved later, and tints"), "findingsLevels", 3);
    m_afterwards = column(tr("Changed afterwards"), "findingsAfterwards", 3);
    m_sayings = column(tr("Is it so? Measured on this frame"), "findingsSayings", 4);
    connect(&document.looks(), &LooksInHand::lookChanged, this, [this] { m_trace.reset(); });
}

QString FindingsPanel::step(int index) const
{
    return QStringLiteral("%1 %2").arg(index + 1).arg(
        stepTitle(m_document.looks().look().steps[static_cast<std::size_t>(index)]));
}

void FindingsPanel::setTrace(const LookTrace& trace)
{
    m_trace = trace;
    if (isVisible())
        renew();
}

void FindingsPanel::addWords(QVBoxLayout* column, const QString& words, const QString& button, const char* name,
                             const std::function<void()>& act)
{
    auto* row = new QHBoxLayout;
    auto* label = new QLabel(words, this);
    label->setWordWrap(true);
    label->setTextInteractionFlags(Qt::TextSelectableByMouse);
    row->addWidget(label, 1);
    if (act) {
        auto* push = new QPushButton(button, this);
        push->setObjectName(name);
        push->setAccessibleName(tr("%1: %2").arg(button, words));
        connect(push, &QPushButton::clicked, this, act);
        row->addWidget(push, 0, Qt::AlignTop);
    }
    column->addLayout(row);
}

namespace {
void clear(QLayout& layout)
{
    while (QLayoutItem* item = layout.takeAt(0)) {
        if (item->layout())
            clear(*item->layout());
        if (QWidget* widget = item->widget()) {
            widget->hide();
            widget->deleteLater();
        }
        delete item;
    }
}
}  // namespace

void FindingsPanel::showUndoing(const Look& look, const std::vector<LinearRgb>& colours)
{
    const auto undoing = findUndoing(look, colours);
    if (undoing.empty())
        addWords(m_undoing, tr("None. What one step does, no other takes back."));
    for (const Undoing& u : undoing) {
        const bool light = u.aspect == Undoing::Aspect::Lightness;
        addWords(m_undoing,
                 (light ? tr("%1 and %2: moves of %3 and %4 on the tone axis leave %5.")
                        : tr("%1 and %2: moves of %3 and %4 in colour (a, b) leave %5."))
                     .arg(step(u.first), step(u.second), theme::number(u.firstSize, 3), theme::number(u.secondSize, 3),
                          theme::number(u.remains, 3)),
                 tr("Join"), "joinSteps", [this, u] { join(u.first, u.second); });
    }
}

void FindingsPanel::showLevels()
{
    const QString kLevels[] = {tr("black"), tr("mid-grey"), tr("white")};
    int said = 0;
    for (const LevelMoved& m : levelsMoved(*m_trace))
        if (++said <= 6)
            addWords(m_levels, tr("%1 put %2 on %3; now %4, most by %5.")
                                   .arg(step(m.setBy), kLevels[static_cast<int>(m.level)], theme::number(m.setTo, 3),
                                        theme::number(m.now, 3), step(m.movedBy)));
    if (const auto adds = tintAddsUp(*m_trace)) {
        QStringList names;
        for (int s : adds->steps)
            names << step(s);
        addWords(m_levels, tr("%1 each tint neutrals the same way: together chroma %2 towards hue %3°.")
                               .arg(names.join(QStringLiteral(", ")), theme::number(adds->total, 3),
                                    theme::number(adds->hueDegrees, 0)));
        ++said;
    }
    if (said == 0)
        addWords(m_levels, tr("Nothing: what was set has stayed."));
}

/// A neutral that the look has tinted: how much warmth would bring it back.
void FindingsPanel::showRetrim(const Look& look)
{
    for (const Retrim& r : retrims(*m_trace)) {
        const QString name = keyColourTitle(m_trace->keys[static_cast<std::size_t>(r.key)]);
        addWords(m_levels,
                 tr("%1 came in neutral and leaves with chroma %2: warmth of %3 mired, green %4 brings it back.")
                     .arg(name, theme::number(r.chroma, 3), theme::number(r.warmth.warmth, 0),
                          theme::number(r.warmth.green, 1)),
                 tr("Add"), "addRetrim", [this, look, r, name] {
                     Look after = m_document.looks().look();
                     after.steps.emplace_back().parameters = r.warmth;
                     m_document.looks().takeLook(after, tr("%1 brought back to neutral").arg(name));
                 });
    }
}

/// Key colours that leave the look outside their tolerance, and the step that moved each most.
void FindingsPanel::showHurt(const std::vector<LinearRgb>& colours)
{
    for (std::size_t k = 0; k < m_trace->keys.size(); ++k) {
        const KeyColour& key = m_trace->keys[k];
        if (key.kind != KeyColour::Kind::Marked)
            continue;
        const KeyState &in = m_trace->states.front().keys[k], &out = m_trace->states.back().keys[k];
        const Lab target = key.target.value_or(in.lab);
        const double far = ciede2000(out.lab, target);
        int worst = 0;
        for (int s = 1; s < m_trace->steps(); ++s)
            if (m_trace->move(s, static_cast<int>(k)).deltaE > m_trace->move(worst, static_cast<int>(k)).deltaE)
                worst = s;
        if (far <= key.tolerance || m_trace->steps() == 0)
            continue;
        const Hurt hurt{static_cast<std::size_t>(worst), toLinearRgb(toOkLab(in.okLch)), target, key.tolerance,
                        key.name};
        addWords(m_levels,
                 tr("%1 leaves ΔE %2 from its target (%3 allowed), moved most by %4.")
                     .arg(text(key.name), theme::number(far, 1), theme::decimal(key.tolerance, 1), step(worst)),
                 tr("Repair…"), "repairKey", [this, hurt, colours] { repair(hurt, colours); });
    }
}

void FindingsPanel::repair(const Hurt& hurt, const std::vector<LinearRgb>& colours)
{
    if (m_repairing->isRunning())
        return;
    auto found = std::make_shared<Result<Repair>>(fail("nothing was found"));
    m_repairing->start([found, hurt, colours, look = m_document.looks().shown()](
                           const Task::Progress&, const CancelToken&) { *found = repairOf(look, hurt, colours); },
                       [this, found, hurt, before = m_document.looks().look()](bool cancelled) {
                           if (cancelled || !(before == m_document.looks().look()))
                               return;
                           if (!*found)
                               emit m_document.failed(text(found->error().message()));
                           else
                               offerRepair(**found, hurt);
                       });
}

/// Shown on the wall while it is asked whether it is to stay.
void FindingsPanel::offerRepair(const Repair& repair, const Hurt& hurt)
{
    const Look before = m_document.looks().look();
    // It was found for the look as this frame has it; the step that is new or changed goes into the look itself.
    Look after = before;
    const Step& made = repair.look.steps[repair.step];
    if (repair.isNew)
        after.steps.insert(after.steps.begin() + static_cast<std::ptrdiff_t>(repair.step), made);
    else
        after = m_document.looks().withShown(static_cast<int>(repair.step), made);
    m_document.looks().change(after);
    const QString where = repair.isNew ? tr("A step of hue shifts after %1").arg(step(static_cast<int>(hurt.step)))
                                       : tr("One more family in %1").arg(step(static_cast<int>(repair.step)));
    const QString words =
        tr("%1 brings %2 from ΔE %3 to %4. Other colours of this frame move by ΔE %5 in the mean, %6 at "
           "most. The wall shows it.")
            .arg(where, text(hurt.name), theme::decimal(repair.before, 1), theme::decimal(repair.after, 1),
                 theme::decimal(repair.meanElsewhere, 2), theme::decimal(repair.largestElsewhere, 1));
    QMessageBox box(QMessageBox::NoIcon, tr("Repair"), words, QMessageBox::NoButton, this);
    box.setObjectName("repairDialog");
    auto* yes = box.addButton(tr("Take"), QMessageBox::AcceptRole);
    box.addButton(tr("Leave it"), QMessageBox::RejectRole);
    box.exec();
    if (box.clickedButton() == yes) {
        m_document.looks().change(before);
        m_document.looks().takeLook(after, tr("%1 brought back").arg(text(hurt.name)));
    } else {
        m_document.looks().change(before);
    }
}

/// The quick ones; all of them stand on a sheet of their own.
void FindingsPanel::showSayings(const Look& look, const Image& frame)
{
    SayingInput input{look, frame, {}, pictures ? pictures() : std::vector<Image>{}};
    for (const char* id : {"equal-curves", "adds-data", "same-result", "contrast-brightness", "chroma-for-all"})
        for (const SayingNote& note : sayingNotes())
            if (std::strcmp(note.id, id) == 0)
                addWords(m_sayings, note.claim + QLatin1Char(' ') + measuredWords(id, input));
    addWords(m_sayings, tr("A dozen of these, with their sources."), tr("All notes"), "allNotes",
             [this] { emit isItSoWanted(); });
}

/// What had to be changed on the frames of this look after it was made: many alike are a fault of the look.
void FindingsPanel::showAfterwards()
{
    const Look& look = m_document.looks().look();
    std::vector<PictureName> pictures;
    for (const FrameId frame : m_document.looks().framesOfLook())
        pictures.push_back(m_document.looks().pictureName(frame));
    constexpr std::size_t kShown = 8;
    const auto changes = changedAfterwards(look, pictures);
    if (changes.empty())
        addWords(m_afterwards, tr("Nothing: every frame has the look as it travels."));
    for (std::size_t i = 0; i < std::min(kShown, changes.size()); ++i) {
        const ChangedAfterwards& change = changes[i];
        const QString what = changedTitle(look.steps[change.step], change.part, change.pointer);
        const QString usual = valueWords(change.usual), travels = valueWords(change.travels);
        const QString words = tr("%1 %2: %3 of %4 frames, mostly %5; %6 travels.")
                                  .arg(step(static_cast<int>(change.step)), what)
                                  .arg(change.pictures)
                                  .arg(pictures.size())
                                  .arg(usual, travels);
        addWords(m_afterwards, words, tr("Take"), "takeAfterwards", [this, change, what] {
            m_document.looks().takeLook(improved(m_document.looks().look(), change),
                                        tr("%1 as most frames have it").arg(what));
        });
    }
}

void FindingsPanel::renew()
{
    for (QVBoxLayout* column : {m_undoing, m_levels, m_afterwards, m_sayings})
        clear(*column);
    const Image frame = picture ? picture() : Image();
    if (frame.isEmpty() || !m_document.isOpen()) {
        addWords(m_undoing, tr("Nothing to measure yet."));
        return;
    }
    const Look look = m_document.looks().lookOf(m_document.selection().frameInHand());
    const auto colours = someColours(frame.view(), kColours);
    showUndoing(look, colours);
    if (m_trace && m_trace->steps() == static_cast<int>(look.steps.size()))
        showLevels(), showRetrim(look), showHurt(colours);
    showSayings(look, frame);
    showAfterwards();
    for (QVBoxLayout* column : {m_undoing, m_levels, m_afterwards, m_sayings})
        column->addStretch(1);
}

void FindingsPanel::join(int first, int second)
{
    const Image frame = picture();
    QApplication::setOverrideCursor(Qt::WaitCursor);
    const auto joined = joinSteps(m_document.looks().look(), first, second, someColours(frame.view(), kColours));
    QApplication::restoreOverrideCursor();
    if (!joined) {
        emit m_document.failed(text(joined.error().message()));
        return;
    }
    const QString words =
        tr("One step, %1, would stand for both. Left over on this frame: ΔE %2 in the mean, %3 at most.")
            .arg(stepTitle(joined->look.steps[static_cast<std::size_t>(joined->step)]))
            .arg(theme::decimal(joined->residual.mean, 2))
            .arg(theme::decimal(joined->residual.maximum, 2));
    QMessageBox box(QMessageBox::NoIcon, tr("Join two steps"), words, QMessageBox::NoButton, this);
    box.setObjectName("joinDialog");
    auto* yes = box.addButton(tr("Join"), QMessageBox::AcceptRole);
    box.addButton(tr("Leave both"), QMessageBox::RejectRole);
    box.exec();
    if (box.clickedButton() == yes)
        m_document.looks().takeLook(joined->look, tr("%1 and %2 joined").arg(step(first), step(second)));
}

void FindingsPanel::paintEvent(QPaintEvent*)
{
    QPainter painter(this);
    painter.fillRect(rect(), theme::kDesk);
    painter.fillRect(0, 0, width(), 1, theme::kHairline);
}

}  // namespace amber
