// The intent card: what the look is to be, and beside each part that can be measured how the look stands to it on the
// frames of the wall.
#pragma once

#include "app/document/document.h"
#include "core/analysis/intent_score.h"
#include "core/measure/tone.h"

#include <QWidget>
#include <functional>

class QComboBox;
class QGridLayout;
class QHBoxLayout;
class QLabel;
class QLineEdit;

namespace amber {

class IntentPanel : public QWidget {
    Q_OBJECT

public:
    IntentPanel(Document& document, QWidget* parent = nullptr);
    /// The frames the look is judged on, as they came in and leave it; asked when scores are shown.
    std::function<std::vector<BeforeAfter>()> frames;
    void refresh();
    void refreshScores();
    /// The hues of the frame in hand as they leave the look: how much of its chroma lies inside the plan.
    void setHues(const HueMeasures& after);

protected:
    void paintEvent(QPaintEvent*) override;
    void showEvent(QShowEvent*) override { refreshScores(); }

private:
    QLabel* quiet(const QString& words);
    QGridLayout* makeWords();
    QGridLayout* makeParts();
    QHBoxLayout* makeReferences();
    void toggleReference();
    void put();
    struct Row {
        IntentScore::Part part;
        QComboBox* choice;
        QLabel* score;
    };
    Document& m_document;
    QLineEdit *m_mood, *m_plan, *m_madeFor, *m_limits;
    QLabel *m_references, *m_planShare;
    HueMeasures m_hues;
    std::vector<Row> m_rows;
};

}  // namespace amber
