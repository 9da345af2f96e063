#include "app/places/handover/recipe_panel.h"

#include "app/settings/own_settings.h"
#include "app/theme/controls.h"
#include "app/words/words.h"
#include "core/job/job.h"

#include <QtWidgets>

namespace amber {
namespace {

constexpr int kRow = 24;

QString titleOfRecipe(const std::string& name)
{
    return name == HandOver::kByHand ? RecipePanel::tr("by hand") : text(name);
}

}  // namespace

QLayout* RecipePanel::makeButtons()
{
    m_keepAs = makeButton(this, "recipeKeepAs", tr("Keep as…"), tr("The one in hand as one of your own, for all jobs"),
                          [this] { askName(); });
    m_keep = makeButton(this, "recipeKeep", tr("Keep"), tr("What was changed, for all jobs"), [this] {
        if (Entry* entry = chosen())
            keepAs(text(entry->recipe.name));
    });
    m_forget =
        makeButton(this, "recipeForget", tr("Forget"), tr("Takes this one of your own away"), [this] { forget(); });
    auto* buttons = new QHBoxLayout;
    buttons->setSpacing(6);
    for (QPushButton* button : {m_keepAs, m_keep, m_forget})
        buttons->addWidget(button);
    buttons->addStretch(1);
    return buttons;
}

RecipePanel::RecipePanel(QWidget* parent) : QWidget(parent), m_list(new QListWidget(this)), m_form(new RecipeForm(this))
{
    setObjectName("recipePanel");
    m_list->setObjectName("recipeList");
    m_list->setAccessibleName(tr("Recipes: ticked ones are made"));
    m_list->setSizeAdjustPolicy(QAbstractScrollArea::AdjustToContents);
    m_list->setHorizontalScrollBarPolicy(Qt::ScrollBarAlwaysOff);
    m_list->setTextElideMode(Qt::ElideRight);
    auto* buttons = makeButtons();
    auto* scroll = new QScrollArea(this);
    scroll->setObjectName("recipeScroll");
    scroll->setWidget(m_form);
    scroll->setWidgetResizable(true);
    scroll->setFrameShape(QFrame::NoFrame);
    scroll->setHorizontalScrollBarPolicy(Qt::ScrollBarAlwaysOff);
    auto* layout = new QVBoxLayout(this);
    layout->setContentsMargins(0, 0, 0, 0);
    layout->setSpacing(8);
    layout->addWidget(m_list);
    layout->addLayout(buttons);
    layout->addWidget(scroll, 1);
    connect(m_list, &QListWidget::currentRowChanged, this, [this] {
        if (!m_isFilling)
            showChosen();
    });
    connect(m_list, &QListWidget::itemChanged, this, [this](QListWidgetItem* item) {
        if (m_isFilling)
            return;
        m_entries[static_cast<std::size_t>(m_list->row(item))].isTicked = item->checkState() == Qt::Checked;
        emit changed();
    });
    connect(m_form, &RecipeForm::edited, this, [this] { take(m_form->recipe()); });
    // Prints in other units.
    connect(&OwnSettings::instance(), &OwnSettings::changed, this, [this] {
        fill();
        showChosen();
    });
}

void RecipePanel::restore(const Recipe& byHand, const std::vector<std::string>& ticked)
{
    m_entries.clear();
    const auto add = [&](Entry::Kind kind, const Recipe& recipe) {
        const bool isTicked = std::find(ticked.begin(), ticked.end(), recipe.name) != ticked.end();
        m_entries.push_back({kind, recipe, isTicked});
    };
    add(Entry::Kind::ByHand, byHand);
    m_entries.front().recipe.name = HandOver::kByHand;
    m_entries.front().isTicked = std::find(ticked.begin(), ticked.end(), HandOver::kByHand) != ticked.end();
    for (const Recipe& recipe : shippedRecipes())
        add(Entry::Kind::Shipped, recipe);
    for (const Recipe& recipe : ownRecipes().recipes)
        add(Entry::Kind::Own, recipe);
    fill();
    const auto first = std::find_if(m_entries.begin(), m_entries.end(), [](const Entry& e) { return e.isTicked; });
    m_list->setCurrentRow(first == m_entries.end() ? 0 : static_cast<int>(first - m_entries.begin()));
    showChosen();
}

void RecipePanel::fill()
{
    m_isFilling = true;
    const int row = m_list->currentRow();
    m_list->clear();
    for (const Entry& entry : m_entries) {
        auto* item = new QListWidgetItem(
            QStringLiteral("%1   %2").arg(titleOfRecipe(entry.recipe.name), recipeWords(entry.recipe)), m_list);
        item->setFlags(item->flags() | Qt::ItemIsUserCheckable);
        item->setCheckState(entry.isTicked ? Qt::Checked : Qt::Unchecked);
        item->setToolTip(item->text());
        item->setSizeHint({0, kRow});
    }
    m_list->setCurrentRow(std::min(row, m_list->count() - 1));
    m_list->setFixedHeight(kRow * std::clamp(m_list->count(), 1, 7) + 2 * m_list->frameWidth() + 2);
    m_isFilling = false;
}

RecipePanel::Entry* RecipePanel::chosen()
{
    const int row = m_list->currentRow();
    return row < 0 || row >= static_cast<int>(m_entries.size()) ? nullptr : &m_entries[static_cast<std::size_t>(row)];
}

void RecipePanel::showChosen()
{
    const Entry* entry = chosen();
    if (!entry)
        return;
    m_form->show(entry->recipe, entry->kind != Entry::Kind::Shipped);
    m_keep->setVisible(entry->kind == Entry::Kind::Own);
    m_forget->setVisible(entry->kind == Entry::Kind::Own);
}

void RecipePanel::take(const Recipe& recipe)
{
    Entry* entry = chosen();
    if (!entry || entry->kind == Entry::Kind::Shipped)
        return;
    const std::string name = entry->recipe.name;
    entry->recipe = recipe, entry->recipe.name = name;
    m_isFilling = true;
    m_list->currentItem()->setText(QStringLiteral("%1   %2").arg(titleOfRecipe(name), recipeWords(recipe)));
    m_isFilling = false;
    emit changed();
}

void RecipePanel::askName()
{
    const auto name = askLine(this, {"recipeName", tr("Keep a recipe"), tr("Name of the recipe")});
    if (name && !name->isEmpty())
        keepAs(*name);
}

void RecipePanel::keepAs(const QString& name)
{
    const Entry* entry = chosen();
    if (!entry)
        return;
    Recipe recipe = entry->recipe;
    recipe.name = name.toStdString();
    if (recipe.subfolder.empty() && entry->kind == Entry::Kind::ByHand)
        recipe.subfolder = recipe.name;
    if (const Status kept = keepRecipe(recipe); !kept) {
        QMessageBox::warning(this, tr("The recipe is not kept"), text(kept.error().message()));
        return;
    }
    std::vector<std::string> names{recipe.name};
    for (const Recipe& other : ticked())
        names.push_back(other.name);
    restore(byHand(), names);
    choose(name);
    emit changed();
}

void RecipePanel::forget()
{
    const Entry* entry = chosen();
    if (!entry || entry->kind != Entry::Kind::Own)
        return;
    if (const Status gone = forgetRecipe(entry->recipe.name); !gone) {
        QMessageBox::warning(this, tr("The recipe stays"), text(gone.error().message()));
        return;
    }
    std::vector<std::string> names;
    for (const Recipe& other : ticked())
        if (other.name != entry->recipe.name)
            names.push_back(other.name);
    restore(byHand(), names);
    emit changed();
}

void RecipePanel::choose(const QString& name)
{
    for (std::size_t i = 0; i < m_entries.size(); ++i)
        if (m_entries[i].recipe.name == name.toStdString())
            m_list->setCurrentRow(static_cast<int>(i));
}

std::vector<Recipe> RecipePanel::ticked() const
{
    std::vector<Recipe> all;
    for (const Entry& entry : m_entries)
        if (entry.isTicked)
            all.push_back(entry.recipe);
    return all;
}

Recipe RecipePanel::byHand() const { return m_entries.empty() ? Recipe{} : m_entries.front().recipe; }

}  // namespace amber
