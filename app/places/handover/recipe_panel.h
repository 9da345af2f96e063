// The recipes there are: those set by hand, shipped, and the artist's own; which of them a delivery goes by, and the
// one in hand as a form.
#pragma once

#include "app/places/handover/recipe_form.h"

class QLayout;
class QListWidget;
class QPushButton;

namespace amber {

class RecipePanel : public QWidget {
    Q_OBJECT

public:
    explicit RecipePanel(QWidget* parent = nullptr);
    /// `byHand`: what was set by hand last; `ticked`: names.
    void restore(const Recipe& byHand, const std::vector<std::string>& ticked);
    /// Those that are ticked, in the order of the list.
    std::vector<Recipe> ticked() const;
    Recipe byHand() const;
    /// The one in hand, by its name.
    void choose(const QString& name);
    void keepAs(const QString& name);
    void forget();

signals:
    void changed();

private:
    struct Entry {
        enum class Kind { ByHand, Shipped, Own } kind = Kind::Shipped;
        Recipe recipe;
        bool isTicked = false;
    };
    QLayout* makeButtons();
    void fill();
    void showChosen();
    void take(const Recipe& recipe);
    void askName();
    Entry* chosen();

    std::vector<Entry> m_entries;
    QListWidget* m_list;
    RecipeForm* m_form;
    QPushButton *m_keepAs, *m_keep, *m_forget;
    bool m_isFilling = false;
};

}  // namespace amber
