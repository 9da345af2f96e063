#include "app/shell/log_tour.h"

#include "app/guide/guide_sheet.h"
#include "app/guide/is_it_so.h"
#include "app/palette/palette_sheet.h"
#include "app/places/log/journal_tab.h"
#include "app/places/log/log_model.h"
#include "app/places/log/log_place.h"
#include "app/places/log/then_now.h"
#include "app/places/log/version_tab.h"
#include "app/places/practice/practice_place.h"
#include "app/places/practice/round_view.h"
#include "app/shell/main_window.h"
#include "app/shell/photographer.h"

namespace amber {
namespace {

/// When things were done is no matter of the picture: two days, a minute from entry to entry.
std::shared_ptr<const std::vector<LogEntry>> atFixedTimes(const std::vector<LogEntry>& entries)
{
    auto all = std::make_shared<std::vector<LogEntry>>(entries);
    for (std::size_t i = 0; i < all->size(); ++i) {
        LogEntry& entry = (*all)[i];
        const int minute = static_cast<int>(9 * 60 + i * 7 % 480);
        entry.day = i * 2 < all->size() ? "2026-03-13" : "2026-03-14";
        entry.time = QStringLiteral("%1:%2")
                         .arg(minute / 60, 2, 10, QLatin1Char('0'))
                         .arg(minute % 60, 2, 10, QLatin1Char('0'))
                         .toStdString();
    }
    return all;
}

void setReason(Document& document, const char* what, const char* why)
{
    const auto journal = std::as_const(document).store().journal();
    for (auto entry = journal->rbegin(); entry != journal->rend(); ++entry)
        if (entry->what.find(what) != std::string::npos) {
            document.keep([&](JobStore& store) { return store.setReason(entry->id, why); });
            return;
        }
}

void tourOfJournal(Photographer& camera, MainWindow& window)
{
    Document& document = window.document();
    setReason(document, "Half strength", "the client likes it quieter");
    setReason(document, "Frame cropped", "the street is not to be seen");
    JournalTab& journal = window.log().journal();
    window.go(MainWindow::Place::Log);
    window.log().go(LogPlace::Tab::Journal);
    camera.waitFor([&] { return !journal.isReading(); }, "the journal");
    journal.model().setEntries(atFixedTimes(journal.model().all()));
    for (auto entry = journal.model().all().rbegin(); entry != journal.model().all().rend(); ++entry)
        if (!entry->looks.empty() && entry->isDone && entry->lines.size() >= 2) {
            journal.choose(entry->gesture);
            break;
        }
    camera.waitFor([&] { return journal.thenNow().isPainted(); }, "then and now");
    camera.take(window, "log");
}

void tourOfVersions(Photographer& camera, MainWindow& window)
{
    window.log().go(LogPlace::Tab::Difference);
    VersionTab& versions = window.log().versions();
    camera.waitFor(
        [&] { return !versions.isMeasuring() && !window.findChild<QLabel*>("versionNumbers")->text().isEmpty(); },
        "the difference");
    auto* from = window.findChild<QComboBox*>("versionFrom");
    // The oldest version, whenever that was made.
    from->setCurrentIndex(from->count() - 1);
    camera.waitFor([&] { return !versions.isMeasuring(); }, "the difference");
    from->setItemText(from->currentIndex(), QStringLiteral("13 March 09:14  Look brought in"));
    window.findChild<PictureView*>("versionBefore")->setCaption(from->currentText());
    camera.take(window, "log-difference");
    window.log().go(LogPlace::Tab::Route);
    window.findChild<QLabel*>("planLeft")
        ->setText(QStringLiteral("3.8 h to go: done on Monday, 16 March 2026 at this pace."));
    camera.take(window, "route");
}

void tourOfPins(Photographer& camera, MainWindow& window)
{
    Document& document = window.document();
    Job job = document.job();
    const auto add = [&](Pin::From from, std::optional<Spot> place, const char* words) {
        Pin pin;
        pin.frame = document.selection().frameInHand(), pin.from = from, pin.place = place, pin.text = words;
        pin.about = document.looks().look().name, pin.made = "2026-03-14 10:00:00";
        job.pins[job.nextPin()] = pin;
    };
    add(Pin::From::Artist, Spot{0.32, 0.6}, "Too blue in the corner?");
    add(Pin::From::Client, std::nullopt, "A little warmer, please");
    document.commit(job, QStringLiteral("Pins set"));
    window.log().go(LogPlace::Tab::Pins);
    camera.take(window, "pins");
}

void tourOfNotes(Photographer& camera, MainWindow& window, const QString& demo)
{
    window.go(MainWindow::Place::Look);
    PaletteSheet& palette = window.look().palette();
    window.look().showPalette();
    palette.open(demo + "/shop-front-02.jpg");
    camera.waitFor([&] { return !palette.isTesting(); }, "the palette test");
    camera.take(palette, "palette-test");
    palette.close();
    window.look().showIsItSo();
    auto* notes = window.findChild<IsItSoSheet*>("isItSoSheet");
    camera.waitFor([&] { return !notes->isMeasuring(); }, "the notes");
    camera.take(*notes, "is-it-so");
    notes->close();
    window.guide().show("way");
    camera.take(window.guide(), "guide");
    window.guide().show("look");
    camera.take(window.guide(), "guide-look");
    window.guide().close();
}

/// A player who sees what is not too fine.
Given played(const DrillRound& round, int number)
{
    Given given;
    given.seconds = 7;
    given.value = round.target + 0.06;
    given.option =
        number % 4 == 3 ? (round.right + 1) % std::max(1, static_cast<int>(round.options.size())) : round.right;
    given.amount = round.rightAmount;
    return given;
}

void tourOfPractice(Photographer& camera, MainWindow& window)
{
    PracticePlace& practice = window.practice();
    window.go(MainWindow::Place::Practice);
    practice.usePractice(false);
    const auto isAsking = [&] { return practice.state() == PracticePlace::State::Asking; };
    const auto play = [&](int rounds) {
        for (int i = 0; i < rounds; ++i) {
            practice.answer(played(practice.round(), practice.roundNumber()));
            practice.next();
        }
    };
    for (int d = 0; d < kDrills; ++d) {
        const auto drill = static_cast<Drill>(d);
        for (std::uint64_t sitting = 0; sitting < (drill == Drill::Family ? 5 : 2); ++sitting) {
            practice.choose(drill);
            practice.begin(20260314 + sitting);
            camera.waitFor(isAsking, "a round");
            if (sitting > 0 && sitting < 4)
                play(kRounds);
        }
        practice.choose(drill);
        practice.begin(7);
        camera.waitFor(isAsking, "a round");
        play(3);
        if (drill == Drill::Odd)
            practice.answer(played(practice.round(), practice.roundNumber()));
        camera.take(window,
                    QStringLiteral("practice-") + QString::fromUtf8(kDrillNames[static_cast<std::size_t>(d)].data()));
    }
    practice.choose(Drill::Family);
    practice.begin(11);
    camera.waitFor(isAsking, "a round");
    play(kRounds);
    camera.take(window, "practice-score");
}

}  // namespace

void tourOfLog(Photographer& camera, MainWindow& window, const QString& demo)
{
    tourOfJournal(camera, window);
    tourOfVersions(camera, window);
    tourOfPins(camera, window);
    tourOfNotes(camera, window, demo);
    tourOfPractice(camera, window);
}

}  // namespace amber
