#include "app/places/practice/practice_place.h"

#include "app/places/practice/practice_pictures.h"
#include "app/places/practice/round_view.h"
#include "app/places/practice/score_plot.h"
#include "app/task/task.h"
#include "app/theme/controls.h"
#include "app/theme/panes.h"
#include "app/theme/theme.h"
#include "app/theme/value_bar.h"
#include "core/base/atomic_file.h"
#include "core/base/utc_time.h"

#include <QtWidgets>

namespace amber {
namespace {

struct DrillWords {
    QString title, about;
};

DrillWords wordsOf(Drill drill)
{
    switch (drill) {
    case Drill::Family:
        return {
            PracticePlace::tr("Name the family"),
            PracticePlace::tr("A place is marked. Which family of hues owns its colour, so which one would move it?")};
    case Drill::Cast:
        return {PracticePlace::tr("Read the cast"),
                PracticePlace::tr("The second picture leans. Which way, and how far?")};
    case Drill::Match:
        return {PracticePlace::tr("Match by eye"),
                PracticePlace::tr("Move one step until your picture is the reference.")};
    case Drill::Odd:
        return {PracticePlace::tr("Find the odd frame"), PracticePlace::tr("One of nine differs. Which?")};
    case Drill::Stops:
        return {PracticePlace::tr("Count the stops"),
                PracticePlace::tr("How many stops lie from the first picture to the second?")};
    }
    return {};
}

/// Words of core in the screen's language.
QString optionWords(const std::string& option)
{
    const std::map<std::string, QString> kKnown{
        {"warmer", PracticePlace::tr("warmer")},     {"cooler", PracticePlace::tr("cooler")},
        {"greener", PracticePlace::tr("greener")},   {"pinker", PracticePlace::tr("pinker")},
        {"lighter", PracticePlace::tr("lighter")},   {"darker", PracticePlace::tr("darker")},
        {"stronger", PracticePlace::tr("stronger")}, {"paler", PracticePlace::tr("paler")},
        {"the same", PracticePlace::tr("the same")}, {"exposure", PracticePlace::tr("Exposure")},
        {"warmth", PracticePlace::tr("Warmth")},     {"tint", PracticePlace::tr("Tint")},
        {"chroma", PracticePlace::tr("Chroma")},     {"contrast", PracticePlace::tr("Contrast")}};
    const auto found = kKnown.find(option);
    if (found != kKnown.end())
        return found->second;
    const QString words = text(option);
    return words.startsWith(QLatin1Char('-')) ? QChar(0x2212) + words.mid(1) : words;
}

constexpr int kSide = 300, kWidestSide = 480;

}  // namespace

PracticePlace::PracticePlace(Document& document, QWidget* parent)
    : QWidget(parent), m_document(document), m_pictures(new PracticePictures(document, this)),
      m_history(PracticeHistory::fileOfUser()), m_staircase(m_history.staircase(Drill::Family)),
      m_drills(new QButtonGroup(this)), m_view(new RoundView(this)), m_plot(new ScorePlot(this)),
      m_bar(new ValueBar(this)), m_question(new QLabel(this)), m_verdictWords(new QLabel(this)),
      m_progress(new QLabel(this)), m_standing(new QLabel(this)), m_confusions(new QLabel(this)),
      m_source(new QComboBox(this)), m_shown(new QStackedWidget(this)), m_scorePage(new QWidget(this)),
      m_scoreTitle(new QLabel(m_scorePage)), m_scores(new QTableWidget(m_scorePage))
{
    setObjectName("practicePlace");
    nameParts(), makeScores();
    auto* side = new QWidget(this);
    makeSide(side);
    auto* left = new QVBoxLayout;
    left->setSpacing(0);
    m_shown->addWidget(m_view), m_shown->addWidget(m_scorePage);
    left->addWidget(m_shown, 1);
    left->addWidget(makeAnswers());
    auto* panes = new Panes("practicePanes", Qt::Horizontal, this);
    panes->add(left, {});
    panes->add(side, {kSide, kSide, kWidestSide});
    auto* layout = new QHBoxLayout(this);
    layout->setContentsMargins(0, 0, 0, 0);
    layout->addWidget(panes);
    connect(m_view, &RoundView::tileClicked, this, &PracticePlace::choosePicture);
    connect(m_pictures, &PracticePictures::ready, this, [this] {
        if (m_state == State::Reading)
            ask();
    });
    connect(m_pictures, &PracticePictures::failed, this, &PracticePlace::rest);
    connect(&document, &Document::opened, this, [this] {
        m_source->setItemData(1, QVariant(), Qt::UserRole - 1);
        refresh();
    });
    connect(&document, &Document::leaving, this, [this] {
        if (m_pictures->areOwn() && m_state != State::Resting)
            rest(tr("The job was closed: this sitting ends here. What was answered is kept."));
    });
    choose(Drill::Family);
}

void PracticePlace::nameParts()
{
    setFocusPolicy(Qt::StrongFocus);
    m_source->setObjectName("practiceSource"), m_source->setAccessibleName(tr("On which pictures"));
    m_source->addItems({tr("on the practice job"), tr("on your own frames")});
    m_standing->setObjectName("practiceStanding"), m_standing->setProperty("strong", true);
    m_confusions->setObjectName("practiceConfusions");
}

void PracticePlace::makeSide(QWidget* side)
{
    auto* layout = new QVBoxLayout(side);
    layout->setContentsMargins(16, 14, 16, 12);
    layout->setSpacing(6);
    for (int i = 0; i < kDrills; ++i) {
        auto* button = new QToolButton(side);
        button->setObjectName(QStringLiteral("drill-") +
                              QString::fromUtf8(kDrillNames[static_cast<std::size_t>(i)].data()));
        button->setText(wordsOf(static_cast<Drill>(i)).title);
        button->setCheckable(true);
        button->setSizePolicy(QSizePolicy::Expanding, QSizePolicy::Fixed);
        m_drills->addButton(button, i);
        layout->addWidget(button);
    }
    connect(m_drills, &QButtonGroup::idClicked, this, [this](int id) { choose(static_cast<Drill>(id)); });
    layout->addSpacing(6);
    layout->addWidget(m_source);
    m_begin = makeButton(this, "practiceBegin", tr("Begin ten rounds"), tr("About three minutes; Escape ends it"),
                         [this] { begin(); });
    layout->addWidget(m_begin);
    layout->addSpacing(10);
    for (QLabel* label : {m_standing, m_confusions})
        label->setWordWrap(true);
    layout->addWidget(m_standing);
    m_plot->setFixedHeight(230);
    layout->addWidget(m_plot);
    auto* legend = new QLabel(tr("Finer is higher; the bars say how sure that is."), side);
    legend->setProperty("quiet", true);
    legend->setWordWrap(true);
    layout->addWidget(legend);
    layout->addStretch(1);
    layout->addWidget(m_confusions);
    m_save = makeButton(this, "practiceSave", tr("Save the results…"), tr("Every round ever played, as a table"),
                        [this] { saveTable(); });
    layout->addWidget(m_save);
}

void PracticePlace::makeBar()
{
    m_bar->setObjectName("practiceBar");
    m_bar->setRange(-1, 1, 0.02);
    m_bar->setFixedWidth(420);
    connect(m_bar, &ValueBar::moved, this, [this](double value) {
        if (m_state == State::Asking && m_round.drill == Drill::Match)
            m_view->setMoved(movedTo(m_round, value));
    });
    m_done = makeButton(this, "practiceDone", tr("That is it"), tr("Enter"), [this] {
        Given given;
        given.value = m_bar->value();
        answer(given);
    });
    m_next = makeButton(this, "practiceNext", tr("Next"), tr("Enter"), [this] { next(); });
}

QWidget* PracticePlace::makeAnswers()
{
    auto* desk = new QWidget(this);
    desk->setFixedHeight(150);
    m_question->setObjectName("practiceQuestion"), m_question->setProperty("strong", true);
    m_progress->setObjectName("practiceProgress"), m_progress->setProperty("quiet", true);
    m_verdictWords->setObjectName("practiceVerdict");
    m_verdictWords->setWordWrap(true);
    m_options = new QWidget(desk);
    m_optionRow = new QHBoxLayout;
    m_amountRow = new QHBoxLayout;
    makeBar();
    auto* options = new QVBoxLayout(m_options);
    options->setContentsMargins(0, 0, 0, 0);
    options->setSpacing(6);
    options->addLayout(m_optionRow), options->addLayout(m_amountRow);
    auto* head = new QHBoxLayout;
    head->addWidget(m_question, 1), head->addWidget(m_progress);
    auto* matching = new QHBoxLayout;
    matching->addWidget(m_bar), matching->addWidget(m_done), matching->addStretch(1);
    auto* said = new QHBoxLayout;
    said->addWidget(m_verdictWords, 1), said->addWidget(m_next);
    auto* layout = new QVBoxLayout(desk);
    layout->setContentsMargins(16, 10, 16, 10);
    layout->setSpacing(8);
    layout->addLayout(head), layout->addWidget(m_options), layout->addLayout(matching), layout->addStretch(1),
        layout->addLayout(said);
    return desk;
}

void PracticePlace::choose(Drill drill)
{
    m_drill = drill;
    m_drills->button(static_cast<int>(drill))->setChecked(true);
    rest(wordsOf(drill).about);
}

void PracticePlace::rest(const QString& words)
{
    m_state = State::Resting;
    m_view->setMessage(words);
    refresh();
}

void PracticePlace::usePractice(bool ownFrames) { m_source->setCurrentIndex(ownFrames ? 1 : 0); }

void PracticePlace::begin(std::optional<std::uint64_t> seed)
{
    std::random_device random;
    m_seed = seed ? *seed : (static_cast<std::uint64_t>(random()) << 32) ^ random();
    m_sitting = utcNow() + " " + std::to_string(m_seed);
    m_seen.clear();
    m_number = 0, m_right = 0;
    m_staircase = m_history.staircase(m_drill);
    m_state = State::Reading;
    m_view->setMessage(tr("Reading the pictures…"));
    refresh();
    setFocus(Qt::OtherFocusReason);
    const bool own = m_source->currentIndex() == 1;
    if (m_pictures->areOwn() == own && !m_pictures->pictures().empty() && !own)
        ask();
    else
        m_pictures->read(own);
}

/// The next round: one that this sitting has not had yet.
void PracticePlace::ask()
{
    constexpr int kTries = 40;
    Result<DrillRound> made = tl::make_unexpected(Error{});
    for (int i = 0; i < kTries; ++i) {
        made = makeRound(m_drill, m_pictures->pictures(), m_staircase.level(),
                         m_seed * 1000003 + static_cast<std::uint64_t>(m_number * kTries + i));
        if (!made || m_seen.insert(made->key).second)
            break;
    }
    if (!made)
        return rest(text(made.error().message()));
    m_round = std::move(*made);
    ++m_number;
    m_state = State::Asking;
    m_chosenOption = -1;
    m_bar->setHome(0), m_bar->setValue(0);
    m_view->show(m_round);
    showOptions();
    refresh();
    m_clock.start();
    if (m_round.drill == Drill::Match)
        m_bar->setFocus(Qt::OtherFocusReason);
    else
        setFocus(Qt::OtherFocusReason);
}

void PracticePlace::showOptions()
{
    for (auto* buttons : {&m_optionButtons, &m_amountButtons}) {
        for (QPushButton* button : *buttons)
            button->hide(), button->deleteLater();
        buttons->clear();
    }
    for (QHBoxLayout* row : {m_optionRow, m_amountRow})
        while (QLayoutItem* item = row->takeAt(0))
            delete item;
    const auto fill = [this](QHBoxLayout* row, const std::vector<std::string>& words, const char* name,
                             std::vector<QPushButton*>& buttons, const std::function<void(int)>& act) {
        for (std::size_t i = 0; i < words.size(); ++i) {
            auto* button = makeButton(this, QStringLiteral("%1%2").arg(QLatin1String(name)).arg(i + 1),
                                      tr("%1  %2").arg(i + 1).arg(optionWords(words[i])), tr("Key %1").arg(i + 1),
                                      [act, i] { act(static_cast<int>(i)); });
            button->setCheckable(true);
            row->addWidget(button);
            buttons.push_back(button);
        }
        row->addStretch(1);
    };
    if (m_round.drill != Drill::Odd)
        fill(m_optionRow, m_round.options, "option", m_optionButtons, [this](int i) { choosePicture(i); });
    fill(m_amountRow, m_round.amounts, "amount", m_amountButtons, [this](int i) {
        Given given;
        given.option = m_chosenOption, given.amount = i;
        answer(given);
    });
}

/// An option was chosen, by a button, a key, or a click on its picture.
void PracticePlace::choosePicture(int option)
{
    if (m_state != State::Asking || m_round.drill == Drill::Match || option < 0 ||
        option >= static_cast<int>(m_round.options.size()))
        return;
    const bool isTile = m_round.drill == Drill::Odd;
    if (!isTile && sender() == m_view)
        return;
    m_chosenOption = option;
    if (isTile)
        m_view->setChosen(option);
    for (std::size_t i = 0; i < m_optionButtons.size(); ++i)
        m_optionButtons[i]->setChecked(static_cast<int>(i) == option);
    if (!m_round.amounts.empty())
        return refresh();
    Given given;
    given.option = option;
    answer(given);
}

void PracticePlace::answer(const Given& given)
{
    if (m_state != State::Asking)
        return;
    Given timed = given;
    timed.seconds = timed.seconds > 0 ? timed.seconds : static_cast<double>(m_clock.elapsed()) / 1000;
    m_verdict = judge(m_round, timed);
    m_staircase.answered(m_round.level, m_verdict.isRight);
    m_right += m_verdict.isRight;
    Played played;
    played.made = utcNow(), played.sitting = m_sitting, played.drill = m_drill, played.level = m_round.level;
    played.isRight = m_verdict.isRight, played.isAmountRight = m_verdict.isAmountRight;
    played.right = m_verdict.right, played.said = m_verdict.said, played.picture = m_round.picture;
    played.seconds = timed.seconds, played.deltaE = m_verdict.deltaE, played.onOwn = m_pictures->areOwn();
    played.threshold = m_staircase.threshold(), played.uncertainty = m_staircase.uncertainty();
    const Status kept = m_history.add(played);
    m_state = State::Answered;
    if (m_round.drill == Drill::Odd)
        m_view->reveal(m_round.right);
    QString words = m_verdict.isRight ? tr("Right") : tr("No");
    if (m_round.drill == Drill::Match)
        words = tr("%1: ΔE00 %2 left in %3 s; %4 counts as right here")
                    .arg(words, theme::decimal(m_verdict.deltaE, 2), theme::decimal(timed.seconds, 0),
                         theme::decimal(m_round.level, 2));
    else
        words = tr("%1: %2").arg(words, text(explained(m_round)));
    if (!m_round.amounts.empty())
        words += m_verdict.isAmountRight ? tr(". The amount was right") : tr(". The amount was not");
    m_verdictWords->setText(kept ? words + QStringLiteral(".") : text(kept.error().message()));
    refresh();
    setFocus(Qt::OtherFocusReason);
}

void PracticePlace::next()
{
    if (m_state == State::Finished)
        return choose(m_drill);
    if (m_state != State::Answered)
        return;
    if (m_number >= kRounds)
        finish();
    else
        ask();
}

void PracticePlace::makeScores()
{
    m_scorePage->setObjectName("scorePage");
    m_scoreTitle->setObjectName("practiceScoreTitle"), m_scoreTitle->setProperty("strong", true);
    m_scores->setObjectName("practiceScores"), m_scores->setAccessibleName(tr("The rounds of this sitting"));
    m_scores->setColumnCount(5);
    m_scores->setHorizontalHeaderLabels({tr("Round"), tr("It was"), tr("You said"), tr("How fine"), tr("Seconds")});
    m_scores->verticalHeader()->hide();
    m_scores->setShowGrid(false);
    m_scores->setEditTriggers(QAbstractItemView::NoEditTriggers);
    m_scores->setSelectionMode(QAbstractItemView::NoSelection);
    m_scores->setFocusPolicy(Qt::NoFocus);
    m_scores->horizontalHeader()->setDefaultAlignment(Qt::AlignLeft | Qt::AlignVCenter);
    m_scores->horizontalHeader()->setSectionResizeMode(QHeaderView::Stretch);
    auto* layout = new QVBoxLayout(m_scorePage);
    layout->setContentsMargins(16, 16, 16, 8);
    layout->setSpacing(10);
    layout->addWidget(m_scoreTitle), layout->addWidget(m_scores, 1);
}

/// The rounds of this sitting, one under another.
void PracticePlace::fillScores()
{
    const auto& rounds = m_history.rounds();
    const std::size_t first = rounds.size() - std::min<std::size_t>(rounds.size(), kRounds);
    m_scores->setRowCount(static_cast<int>(rounds.size() - first));
    for (std::size_t i = first; i < rounds.size(); ++i) {
        const Played& p = rounds[i];
        const QString said = m_drill == Drill::Match ? tr("ΔE00 %1 left").arg(theme::decimal(p.deltaE, 2))
                                                     : optionWords(p.said) + (p.isRight ? QString() : tr("  (no)"));
        const QString cells[] = {QString::number(i - first + 1), optionWords(p.right), said,
                                 levelWords(m_drill, p.level), theme::decimal(p.seconds, 0)};
        for (int k = 0; k < 5; ++k)
            m_scores->setItem(static_cast<int>(i - first), k, new QTableWidgetItem(cells[k]));
    }
}

void PracticePlace::finish()
{
    m_state = State::Finished;
    m_view->setMessage({});
    m_scoreTitle->setText(tr("%1 of %2 right. Three of four would be right at %3.")
                              .arg(m_right)
                              .arg(kRounds)
                              .arg(levelWords(m_drill, m_staircase.threshold())));
    fillScores();
    refresh();
}

QString PracticePlace::question() const
{
    if (m_state != State::Asking && m_state != State::Answered)
        return wordsOf(m_drill).title;
    switch (m_round.drill) {
    case Drill::Family:
        return tr("Which family owns the marked colour?");
    case Drill::Cast:
        return m_chosenOption < 0 ? tr("Which way does the second picture lean?") : tr("And how far?");
    case Drill::Match:
        return tr("%1: make your picture the reference").arg(optionWords(m_round.moved));
    case Drill::Odd:
        return tr("Which of the nine differs?");
    case Drill::Stops:
        return tr("From the first to the second, how many stops?");
    }
    return {};
}

void PracticePlace::refresh()
{
    const bool isAsking = m_state == State::Asking, isAnswered = m_state == State::Answered;
    const bool isMatch = m_round.drill == Drill::Match;
    m_question->setText(question());
    m_shown->setCurrentIndex(m_state == State::Finished ? 1 : 0);
    m_progress->setText(isAsking || isAnswered ? tr("round %1 of %2, %3 right").arg(m_number).arg(kRounds).arg(m_right)
                                               : QString());
    m_options->setVisible((isAsking || isAnswered) && !isMatch);
    for (QPushButton* button : m_optionButtons)
        button->setEnabled(isAsking);
    for (QPushButton* button : m_amountButtons)
        button->setEnabled(isAsking && m_chosenOption >= 0);
    m_bar->setVisible((isAsking || isAnswered) && isMatch), m_done->setVisible(m_bar->isVisibleTo(this));
    m_bar->setEnabled(isAsking), m_done->setEnabled(isAsking);
    m_next->setVisible(isAnswered || m_state == State::Finished);
    m_next->setText(m_state == State::Finished ? tr("Close") : m_number >= kRounds ? tr("Results") : tr("Next"));
    if (!isAnswered)
        m_verdictWords->clear();
    m_begin->setEnabled(m_state == State::Resting || m_state == State::Finished);
    m_source->setEnabled(m_begin->isEnabled());
    for (QAbstractButton* button : m_drills->buttons())
        button->setEnabled(m_begin->isEnabled());
    const auto sittings = m_history.sittings(m_drill);
    m_plot->show(m_drill, sittings);
    m_standing->setText(sittings.empty()
                            ? tr("Not played yet.")
                            : tr("Three of four right at %1").arg(levelWords(m_drill, sittings.back().threshold)));
    const auto confusions = m_history.confusions(m_drill);
    QStringList worst;
    for (std::size_t i = 0; i < confusions.size() && i < 2; ++i)
        if (confusions[i].times >= 2)
            worst << tr("You take %1 for %2: %3 of %4 times.")
                         .arg(optionWords(confusions[i].right), optionWords(confusions[i].said))
                         .arg(confusions[i].times)
                         .arg(confusions[i].of);
    m_confusions->setText(m_drill == Drill::Family || m_drill == Drill::Cast ? worst.join(QLatin1Char('\n'))
                                                                             : QString());
    m_save->setEnabled(!m_history.rounds().empty());
}

void PracticePlace::keyPressEvent(QKeyEvent* event)
{
    const bool isEnter = event->key() == Qt::Key_Return || event->key() == Qt::Key_Enter;
    if (event->key() == Qt::Key_Escape &&
        (m_state == State::Asking || m_state == State::Answered || m_state == State::Finished))
        return choose(m_drill);
    if (isEnter && m_state == State::Resting)
        return begin();
    if (isEnter && (m_state == State::Answered || m_state == State::Finished))
        return next();
    if (isEnter && m_state == State::Asking && m_round.drill == Drill::Match)
        return m_done->click();
    const int digit = event->key() - Qt::Key_1;
    if (digit >= 0 && digit < 9 && m_state == State::Asking) {
        auto& buttons = !m_round.amounts.empty() && m_chosenOption >= 0 ? m_amountButtons : m_optionButtons;
        if (m_round.drill == Drill::Odd)
            choosePicture(digit);
        else if (digit < static_cast<int>(buttons.size()))
            buttons[static_cast<std::size_t>(digit)]->click();
        return;
    }
    QWidget::keyPressEvent(event);
}

void PracticePlace::saveTable()
{
    const QString path = QFileDialog::getSaveFileName(this, tr("Save the results"), QDir::homePath() + "/practice.csv",
                                                      tr("Table (*.csv)"));
    if (path.isEmpty())
        return;
    if (const Status saved = saveFile(path.toStdString(), m_history.csv()); !saved)
        m_verdictWords->setText(text(saved.error().message()));
}

}  // namespace amber
