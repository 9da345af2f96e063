// One finding, large at its place: as it is beside what the cure would make of it; where on the frame it lies, what was
// measured, its limit, why it matters, and what can be done.
#pragma once

#include "app/places/proof/shoot_audit.h"
#include "app/render/proxy_store.h"

#include <QWidget>

class QLabel;
class QPushButton;

namespace amber {

class PictureView;

class FindingPanel : public QWidget {
    Q_OBJECT

public:
    FindingPanel(Document& document, ProxyStore& proxies, ShootAudit& audit, QWidget* parent);
    /// Null: none. `position`: "3 of 12 open".
    void show(const Finding* finding, const QString& position);
    const std::optional<Finding>& finding() const { return m_finding; }
    /// What is said while there is no finding.
    void setMessage(const QString& message);
    bool isAtRest() const { return !m_slot->isBusy() && !m_audit.isTrying(); }
    void refresh();

signals:
    void nextWanted(int by);

private:
    struct Pictures {
        QImage whole, now, cured;
    };
    void makeWords();
    void makeButtons();
    void layOut();
    void writeWords(const CureTried* cure);
    void render(const CureTried* cure);
    void put(const Pictures& made, const QRectF& part, const Region& place);
    QRectF partOf(const Region& place) const;
    void askReason();

    Document& m_document;
    ProxyStore& m_proxies;
    ShootAudit& m_audit;
    std::optional<Finding> m_finding;
    PictureView *m_place, *m_whole;
    QLabel *m_title, *m_position, *m_measured, *m_because, *m_cureWords;
    QPushButton *m_take, *m_accept, *m_next, *m_previous;
    RenderSlot* m_slot;
    std::uint64_t m_number = 0;
};

}  // namespace amber
