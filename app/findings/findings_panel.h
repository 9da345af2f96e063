// What measuring the look found: steps that undo one another, levels that moved after they were set, tints that add up;
// and sayings of the trade held against the frame in hand.
#pragma once

#include "app/document/document.h"
#include "core/analysis/net_effect.h"
#include "core/analysis/repair.h"

#include <QWidget>
#include <functional>

class QVBoxLayout;

namespace amber {

class Task;

class FindingsPanel : public QWidget {
    Q_OBJECT

public:
    FindingsPanel(Document& document, QWidget* parent = nullptr);
    /// Single pixels of the frame in hand, and of every frame on the wall.
    std::function<Image()> picture;
    std::function<std::vector<Image>()> pictures;
    void setTrace(const LookTrace& trace);

signals:
    /// All notes on what is said.
    void isItSoWanted();

protected:
    void paintEvent(QPaintEvent*) override;
    void showEvent(QShowEvent*) override { renew(); }

private:
    void showAfterwards();
    void showUndoing(const Look& look, const std::vector<LinearRgb>& colours);
    void showLevels();
    void showRetrim(const Look& look);
    void showHurt(const std::vector<LinearRgb>& colours);
    void repair(const Hurt& hurt, const std::vector<LinearRgb>& colours);
    void offerRepair(const Repair& repair, const Hurt& hurt);
    void showSayings(const Look& look, const Image& frame);
    void renew();
    void join(int first, int second);
    QString step(int index) const;
    void addWords(QVBoxLayout* column, const QString& words, const QString& button = {}, const char* name = nullptr,
                  const std::function<void()>& act = {});

    Document& m_document;
    QVBoxLayout *m_undoing, *m_levels, *m_afterwards, *m_sayings;
    std::optional<LookTrace> m_trace;
    Task* m_repairing;
};

}  // namespace amber
