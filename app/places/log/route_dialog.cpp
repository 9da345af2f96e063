#include "app/places/log/route_dialog.h"

#include "app/theme/controls.h"

#include <QtWidgets>

namespace amber {

RouteDialog::RouteDialog(const RouteKeeper& keeper, QWidget* parent)
    : QDialog(parent), m_keeper(keeper), m_route(keeper.route()), m_list(new QListWidget(this)),
      m_name(new QLineEdit(this)), m_words(new QLabel(this))
{
    setObjectName("routeDialog");
    setWindowTitle(tr("Route"));
    m_list->setObjectName("routeStages"), m_list->setAccessibleName(tr("Stages, in their order"));
    const auto ships = [&] {
        return std::any_of(shippedRoutes().begin(), shippedRoutes().end(),
                           [&](const Route& r) { return r.name == m_route.name; });
    };
    m_name->setObjectName("routeName"), m_name->setAccessibleName(tr("Name of the route"));
    m_name->setMaxLength(40);
    m_name->setText(ships() ? tr("my %1").arg(RouteKeeper::nameOf(m_route.name)) : text(m_route.name));
    m_words->setObjectName("routeWords"), m_words->setWordWrap(true);
    auto* middle = new QHBoxLayout;
    middle->addWidget(m_list, 1), middle->addLayout(makeSide());
    auto* name = new QHBoxLayout;
    name->addWidget(new QLabel(tr("Name"), this)), name->addWidget(m_name, 1);
    auto* buttons = new QHBoxLayout;
    buttons->addWidget(makeButton(this, "routeForget", tr("Forget it"),
                                  tr("Takes this route from your own; the job keeps it"), [this] {
                                      const Status gone = forgetRoute(m_name->text().trimmed().toStdString());
                                      m_words->setText(gone ? tr("Forgotten.") : text(gone.error().message()));
                                  }));
    buttons->addStretch(1);
    buttons->addWidget(makeButton(this, "routeLeave", tr("Leave it"), {}, [this] { reject(); }));
    buttons->addWidget(makeButton(this, "routeKeep", tr("Keep and use"),
                                  tr("Kept among your own routes, and used for this job"), [this] { take(); }));
    auto* layout = new QVBoxLayout(this);
    layout->setContentsMargins(20, 18, 20, 16);
    layout->setSpacing(10);
    layout->addLayout(name), layout->addLayout(middle, 1), layout->addWidget(m_words), layout->addLayout(buttons);
    resize(460, 480);
    fill(0);
}

QLayout* RouteDialog::makeSide()
{
    auto* side = new QVBoxLayout;
    side->addWidget(makeButton(this, "routeUp", tr("Up"), tr("Earlier in the order"), [this] { move(-1); }));
    side->addWidget(makeButton(this, "routeDown", tr("Down"), tr("Later in the order"), [this] { move(1); }));
    side->addWidget(makeButton(this, "routeRemove", tr("Remove"), {}, [this] {
        const int row = m_list->currentRow();
        if (row >= 0 && m_route.stages.size() > 1) {
            m_route.stages.erase(m_route.stages.begin() + row);
            fill(std::min(row, static_cast<int>(m_route.stages.size()) - 1));
        }
    }));
    side->addWidget(makeButton(this, "routeAdd", tr("Add…"),
                               tr("A known stage, or one of your own that is ticked by hand"), [this] { addStage(); }));
    side->addStretch(1);
    return side;
}

void RouteDialog::fill(int current)
{
    m_list->clear();
    for (const RouteStage& stage : m_route.stages)
        m_list->addItem(m_keeper.titleOf(stage) + (stage.rule == StageRule::Hand ? tr(", by hand") : QString()));
    m_list->setCurrentRow(current);
}

void RouteDialog::move(int way)
{
    const int row = m_list->currentRow(), to = row + way;
    if (row < 0 || to < 0 || to >= m_list->count())
        return;
    std::swap(m_route.stages[static_cast<std::size_t>(row)], m_route.stages[static_cast<std::size_t>(to)]);
    fill(to);
}

void RouteDialog::addStage()
{
    QMenu menu(this);
    menu.setObjectName("routeAddMenu");
    const int at = m_list->currentRow() + 1;
    const auto insert = [this, at](const RouteStage& stage) {
        m_route.stages.insert(m_route.stages.begin() + at, stage);
        fill(at);
    };
    for (const RouteStage& known : knownStages())
        if (std::none_of(m_route.stages.begin(), m_route.stages.end(),
                         [&](const RouteStage& s) { return s.id == known.id; }))
            menu.addAction(m_keeper.titleOf(known), this, [insert, known] { insert(known); });
    for (const bool isOfShoot : {false, true})
        menu.addAction(isOfShoot ? tr("Own stage, once for the shoot…") : tr("Own stage, for every frame…"), this,
                       [this, insert, isOfShoot] {
                           const auto title = askLine(
                               this, {"stageDialog", tr("Own stage"), tr("What is to be done?"), {}, tr("Add")});
                           if (!title || title->isEmpty())
                               return;
                           const std::string words = title->left(60).toStdString();
                           insert({"own " + words, words, StageRule::Hand, isOfShoot, 0});
                       });
    if (m_route.stages.size() < kStageLimit)
        menu.exec(QCursor::pos());
}

void RouteDialog::take()
{
    m_route.name = m_name->text().trimmed().toStdString();
    if (const Status kept = keepRoute(m_route); !kept) {
        m_words->setText(text(kept.error().message()));
        return;
    }
    accept();
}

}  // namespace amber
