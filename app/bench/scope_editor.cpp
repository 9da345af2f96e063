#include "app/bench/scope_editor.h"

#include "app/bench/scope_model.h"
#include "app/bench/scope_words.h"
#include "app/theme/controls.h"
#include "core/job/edits.h"

#include <QtWidgets>

namespace amber {

ScopeEditor::ScopeEditor(Document& document, QWidget* parent)
    : StepEditor(document, parent), m_model(new ScopeModel(document, this)), m_table(new QTableView(this)),
      m_set(new QToolButton(this)), m_give(new QToolButton(this)),
      m_each(new QCheckBox(tr("Each frame keeps its own from now on"), this))
{
    setObjectName("scopeEditor");
    makeTable();
    auto* row = new QHBoxLayout(this);
    row->setContentsMargins(0, 0, 0, 0);
    row->setSpacing(14);
    row->addWidget(m_table, 1);
    row->addWidget(makeButtons());
    connect(m_table->selectionModel(), &QItemSelectionModel::selectionChanged, this, &ScopeEditor::refreshButtons);
    connect(m_model, &QAbstractItemModel::modelReset, this, [this] { m_table->selectRow(0); });
}

void ScopeEditor::makeTable()
{
    m_table->setObjectName("scopeTable");
    m_table->setAccessibleName(tr("Whose values of this step are"));
    m_table->setModel(m_model);
    m_table->setSelectionBehavior(QAbstractItemView::SelectRows);
    m_table->setSelectionMode(QAbstractItemView::ExtendedSelection);
    m_table->setTabKeyNavigation(false);
    m_table->setShowGrid(false);
    m_table->setWordWrap(false);
    m_table->verticalHeader()->hide();
    m_table->verticalHeader()->setDefaultSectionSize(23);
    m_table->verticalHeader()->setMinimumSectionSize(20);
    QHeaderView* header = m_table->horizontalHeader();
    header->setHighlightSections(false);
    header->setSectionResizeMode(QHeaderView::ResizeToContents);
    header->setSectionResizeMode(ScopeModel::ValueColumn, QHeaderView::Stretch);
}

void ScopeEditor::dressMenus()
{
    const auto menu = [this](QToolButton& button, const char* name, const QString& text, const QString& tip,
                             void (ScopeEditor::*fill)(QMenu&)) {
        button.setObjectName(name);
        button.setText(text);
        button.setToolTip(tip);
        button.setPopupMode(QToolButton::InstantPopup);
        button.setSizePolicy(QSizePolicy::Expanding, QSizePolicy::Fixed);
        auto* list = new QMenu(&button);
        list->setObjectName(QString(name) + "Menu");
        button.setMenu(list);
        connect(list, &QMenu::aboutToShow, this, [this, list, fill] { (this->*fill)(*list); });
    };
    menu(*m_set, "scopeSet", tr("A set"), tr("Chosen frames with a name, as those that show one costume"),
         &ScopeEditor::fillSets);
    menu(*m_give, "scopeGive", tr("Give to"), tr("Others get the value as well; here it stays as it is"),
         &ScopeEditor::fillOthers);
}

void ScopeEditor::dressEach()
{
    m_each->setObjectName("scopeEach");
    m_each->setToolTip(tr("A change made while looking at a frame is that frame's; others keep theirs"));
    connect(m_each, &QCheckBox::clicked, this, [this](bool on) {
        change(
            [on](Step step, const std::string& part) {
                on ? void(step.perPicture.insert(part)) : void(step.perPicture.erase(part));
                return step;
            },
            on ? tr("%1 kept by each frame") : tr("%1 travels with the look"));
    });
}

QWidget* ScopeEditor::makeButtons()
{
    auto* side = new QWidget(this);
    auto* grid = new QGridLayout(side);
    grid->setContentsMargins(0, 0, 0, 0);
    grid->setSpacing(5);
    auto* words = new QLabel(tr("The value here is for"), side);
    words->setProperty("quiet", true);
    grid->addWidget(words, 0, 0, 1, 2);
    m_thisFrame = makeButton(side, "scopeThisFrame", tr("This frame"), tr("Only the frame in hand has this value"),
                             [this] { keepFor(m_document.looks().pictureInHand().own, m_document.job()); });
    m_light = makeButton(side, "scopeLight", tr("Its light"),
                         tr("All frames of this light have it, whichever they are"), [this] { keepForLight(); });
    m_all = makeButton(side, "scopeAll", tr("All frames"), tr("It travels with the look"),
                       [this] { keepFor({}, m_document.job()); });
    m_letGo = makeButton(side, "scopeLetGo", tr("As it travels"),
                         tr("Lets go of the value that is kept here; the one that travels counts again"), [this] {
                             change(
                                 [this](const Step& step, const std::string& part) {
                                     return letGo(step, m_document.looks().pictureInHand(), part);
                                 },
                                 tr("%1 as it travels"));
                         });
    dressMenus();
    grid->addWidget(m_thisFrame, 1, 0);
    grid->addWidget(m_light, 1, 1);
    grid->addWidget(m_set, 2, 0);
    grid->addWidget(m_all, 2, 1);
    grid->addWidget(m_give, 3, 0);
    grid->addWidget(m_letGo, 3, 1);
    dressEach();
    grid->addWidget(m_each, 4, 0, 1, 2);
    grid->setRowStretch(5, 1);
    return side;
}

std::vector<std::string> ScopeEditor::chosenParts() const
{
    std::vector<std::string> parts;
    for (const QModelIndex& index : m_table->selectionModel()->selectedRows())
        parts.push_back(m_model->partAt(index.row()));
    return parts;
}

QString ScopeEditor::namesOf(const std::vector<std::string>& parts) const
{
    const Step* step = m_document.looks().step();
    QString first = step && !parts.empty() ? partTitle(*step, parts.front()) : QString();
    if (!first.isEmpty())
        first[0] = first[0].toUpper();
    return parts.size() < 2 ? first : tr("%1 and %2 more").arg(first).arg(parts.size() - 1);
}

void ScopeEditor::change(const std::function<Step(const Step&, const std::string&)>& change, const QString& action)
{
    this->change(change, action, m_document.job());
}

void ScopeEditor::change(const std::function<Step(const Step&, const std::string&)>& change, const QString& action,
                         const Job& after)
{
    Look look = m_document.looks().look();
    const auto index = static_cast<std::size_t>(m_document.looks().selectedStep());
    const auto parts = chosenParts();
    if (index >= look.steps.size() || parts.empty())
        return;
    m_document.looks().commitPending();
    for (const std::string& part : parts)
        look.steps[index] = change(look.steps[index], part);
    m_document.looks().change(look);
    m_document.looks().commitWith(after, action.arg(namesOf(parts)));
}

void ScopeEditor::keepFor(const std::string& holder, const Job& after)
{
    // The sets the frame is in once the job is so.
    const PictureName here = after.pictureName(m_document.selection().frameInHand());
    change([&](const Step& step, const std::string& part) { return keptFor(step, here, part, holder); },
           holder.empty() ? tr("%1 for all frames") : tr("%1 for %2").arg("%1", holderWords(after, holder)), after);
}

void ScopeEditor::giveTo(const std::string& holder, const Job& after)
{
    const PictureName here = m_document.looks().pictureInHand();
    change([&](const Step& step,
               const std::string& part) { return withHeld(step, holder, part, valueOf(stepFor(step, here), part)); },
           tr("%1 given to %2").arg("%1", holderWords(after, holder)), after);
}

void ScopeEditor::keepForLight()
{
    const int light = m_document.job().lightOf(m_document.selection().frameInHand());
    if (light < 0)
        return;
    const Job after = withSetOfLight(m_document.job(), light);
    keepFor(holderOfSet(setOfLight(after, light)->name), after);
}

void ScopeEditor::keepForNewSet()
{
    std::vector<FrameId> frames{m_document.selection().frameInHand()};
    for (const FrameId companion : m_document.selection().companions())
        if (companion != frames.front())
            frames.push_back(companion);
    const auto name =
        askLine(this, {"setNameDialog", tr("New set"),
                       tr("A name for these %1 frames. Shoot makes sets of any frames.").arg(frames.size())});
    if (!name || name->isEmpty())
        return;
    if (m_document.job().setOf(name->toStdString())) {
        emit m_document.failed(tr("There is a set named %1 already.").arg(*name));
        return;
    }
    keepFor(holderOfSet(name->toStdString()), withSet(m_document.job(), name->toStdString(), frames));
}

void ScopeEditor::fillSets(QMenu& menu)
{
    menu.clear();
    const PictureName here = m_document.looks().pictureInHand();
    for (const FrameSet& set : m_document.job().sets)
        if (set.ofLight == 0 && std::find(here.sets.begin(), here.sets.end(), set.name) != here.sets.end())
            menu.addAction(holderWords(m_document.job(), holderOfSet(set.name)), this,
                           [this, holder = holderOfSet(set.name)] { keepFor(holder, m_document.job()); });
    if (!menu.isEmpty())
        menu.addSeparator();
    menu.addAction(tr("New set of this frame and its companions…"), this, [this] { keepForNewSet(); });
}

void ScopeEditor::fillOthers(QMenu& menu)
{
    menu.clear();
    const Job& job = m_document.job();
    const FrameId inHand = m_document.selection().frameInHand();
    for (int i = 0; i < static_cast<int>(job.lights.size()); ++i)
        if (i != job.lightOf(inHand))
            menu.addAction(text(job.lights[static_cast<std::size_t>(i)].name), this, [this, i] {
                const Job after = withSetOfLight(m_document.job(), i);
                giveTo(holderOfSet(setOfLight(after, i)->name), after);
            });
    for (const FrameSet& set : job.sets)
        if (set.ofLight == 0)
            menu.addAction(holderWords(job, holderOfSet(set.name)), this,
                           [this, holder = holderOfSet(set.name)] { giveTo(holder, m_document.job()); });
    if (!menu.isEmpty() && !m_document.selection().companions().empty())
        menu.addSeparator();
    for (const FrameId companion : m_document.selection().companions())
        if (const Frame* frame = m_document.frame(companion); frame && companion != inHand)
            menu.addAction(titleOf(*frame), this,
                           [this, companion] { giveTo(std::to_string(companion), m_document.job()); });
}

void ScopeEditor::refresh()
{
    m_model->refresh();
    refreshButtons();
}

void ScopeEditor::refreshButtons()
{
    const auto parts = chosenParts();
    const auto index = static_cast<std::size_t>(m_document.looks().selectedStep());
    const auto& steps = m_document.looks().look().steps;
    const bool isAny = !parts.empty() && index < steps.size();
    for (QWidget* button : std::initializer_list<QWidget*>{m_thisFrame, m_all, m_set, m_give, m_each})
        button->setEnabled(isAny);
    const Job& job = m_document.job();
    const int light = job.lightOf(m_document.selection().frameInHand());
    m_light->setEnabled(isAny && light >= 0);
    constexpr int kLightWidth = 150;
    const QString name = light < 0 ? tr("Its light") : text(job.lights[static_cast<std::size_t>(light)].name);
    m_light->setText(m_light->fontMetrics().elidedText(name, Qt::ElideRight, kLightWidth));
    const PictureName here = m_document.looks().pictureInHand();
    m_letGo->setEnabled(isAny && std::any_of(parts.begin(), parts.end(), [&](const std::string& part) {
                            return !holderFor(steps[index], here, part).empty();
                        }));
    const QSignalBlocker blocker(m_each);
    m_each->setChecked(isAny && std::all_of(parts.begin(), parts.end(), [&](const std::string& part) {
                           return steps[index].perPicture.count(part) > 0;
                       }));
}

}  // namespace amber
