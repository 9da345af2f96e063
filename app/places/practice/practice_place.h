// The Practice place: five drills of ten rounds, each as hard as its player can just do; and how that went so far.
#pragma once

#include "app/document/document.h"
#include "core/practice/history.h"

#include <QElapsedTimer>
#include <QWidget>

class QButtonGroup;
class QComboBox;
class QHBoxLayout;
class QLabel;
class QPushButton;
class QStackedWidget;
class QTableWidget;

namespace amber {

class PracticePictures;
class RoundView;
class ScorePlot;
class ValueBar;

class PracticePlace : public QWidget {
    Q_OBJECT

public:
    explicit PracticePlace(Document& document, QWidget* parent = nullptr);
    Drill drill() const { return m_drill; }
    void choose(Drill drill);
    /// Begins a sitting of ten rounds; `seed` for tests and pictures of the screen: rounds follow from it.
    void begin(std::optional<std::uint64_t> seed = std::nullopt);
    enum class State { Resting, Reading, Asking, Answered, Finished };
    State state() const { return m_state; }
    const DrillRound& round() const { return m_round; }
    const Verdict& verdict() const { return m_verdict; }
    int roundNumber() const { return m_number; }
    RoundView& view() { return *m_view; }
    const PracticeHistory& history() const { return m_history; }
    void usePractice(bool ownFrames);
    void answer(const Given& given);
    void next();

protected:
    void keyPressEvent(QKeyEvent* event) override;

private:
    void nameParts();
    void makeSide(QWidget* side);
    QWidget* makeAnswers();
    void makeBar();
    void ask();
    void showOptions();
    void choosePicture(int tile);
    void makeScores();
    void fillScores();
    void finish();
    void refresh();
    QString question() const;
    void saveTable();
    void rest(const QString& words);

    Document& m_document;
    PracticePictures* m_pictures;
    PracticeHistory m_history;
    Staircase m_staircase;
    Drill m_drill = Drill::Family;
    State m_state = State::Resting;
    DrillRound m_round;
    Verdict m_verdict;
    std::set<std::string> m_seen;  ///< rounds of this sitting
    std::string m_sitting;
    std::uint64_t m_seed = 0;
    int m_number = 0, m_right = 0, m_chosenOption = -1;
    QElapsedTimer m_clock;

    QButtonGroup* m_drills;
    RoundView* m_view;
    ScorePlot* m_plot;
    ValueBar* m_bar;
    QLabel *m_question, *m_verdictWords, *m_progress, *m_standing, *m_confusions;
    QWidget* m_options;
    QHBoxLayout *m_optionRow, *m_amountRow;
    std::vector<QPushButton*> m_optionButtons, m_amountButtons;
    QPushButton *m_begin, *m_done, *m_next, *m_save;
    QComboBox* m_source;
    QStackedWidget* m_shown;
    QWidget* m_scorePage;
    QLabel* m_scoreTitle;
    QTableWidget* m_scores;
};

}  // namespace amber
