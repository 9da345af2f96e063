// Proof, checks: what could be wrong with the frames as they will be handed over. Frames by checks, worst first; each
// finding large, with its cure.
#pragma once

#include "app/places/proof/checks_model.h"
#include "app/render/proxy_store.h"

class QComboBox;
class QLabel;
class QPushButton;
class QTableView;

namespace amber {

class FindingPanel;

class ChecksTab : public QWidget {
    Q_OBJECT

public:
    ChecksTab(Document& document, ProxyStore& proxies, std::function<QPixmap(std::int64_t)> thumbnail,
              QWidget* parent = nullptr);

    ShootAudit& audit() { return *m_audit; }
    ChecksModel& model() { return *m_model; }
    QTableView& table() { return *m_table; }
    FindingPanel& panel() { return *m_panel; }
    /// The finding in hand, by its number in the audit's; -1: none.
    int inHand() const { return m_inHand; }
    void show(int finding);
    /// The next or previous finding, round and round.
    void walk(int by);

protected:
    void showEvent(QShowEvent*) override;
    void hideEvent(QHideEvent*) override;

private:
    void makeTable();
    QLayout* makeHeader();
    void renew();
    void refreshUses();
    /// Columns of checks that had nothing to measure are not shown.
    void fitColumns();
    void refreshWords();
    void editUse();
    void chooseCell(const QModelIndex& cell);
    QString positionOf(int finding) const;

    Document& m_document;
    ShootAudit* m_audit;
    ChecksModel* m_model;
    QTableView* m_table;
    FindingPanel* m_panel;
    QComboBox* m_use;
    QLabel *m_count, *m_state;
    QPushButton *m_check, *m_limits;
    int m_inHand = -1;
    std::optional<FindingId> m_shown;
};

}  // namespace amber
