#include "app/shell/handover_tour.h"

#include "app/places/handover/handover_place.h"
#include "app/places/handover/retouch_tab.h"
#include "app/shell/main_window.h"
#include "app/shell/photographer.h"
#include "core/retouch/hand_off_list.h"
#include "demo/retoucher/retoucher.h"

namespace amber {
namespace {

FrameId frameNamed(const Document& document, const char* name)
{
    for (const Frame& frame : document.frames())
        if (frame.path.stem() == name)
            return frame.id;
    return 0;
}

void tourOfRecipes(Photographer& camera, MainWindow& window)
{
    HandoverPlace& place = window.handover();
    window.go(MainWindow::Place::Handover);
    auto* recipes = window.findChild<QListWidget*>("recipeList");
    for (int i = 0; i < recipes->count(); ++i)
        recipes->item(i)->setCheckState(i == 1 || i == 3 ? Qt::Checked : Qt::Unchecked);
    recipes->setCurrentRow(3);
    camera.take(window, "recipes");
    place.lookOver();
    camera.waitFor([&] { return !place.isLookingOver(); }, "the look over");
    camera.take(window, "preflight");
    recipes->item(3)->setCheckState(Qt::Unchecked);
    recipes->setCurrentRow(1);
    bool done = false;
    QObject::connect(&place.task(), &ExportTask::finished, &window, [&] { done = true; });
    auto* start = window.findChild<QPushButton*>("exportStart");
    start->click();
    camera.waitFor([&] { return done || (start->isEnabled() && !place.isLookingOver()); }, "the export");
    if (!done)
        start->click();
    camera.waitFor([&] { return done; }, "the export");
    camera.take(window, "handover");
}

void shootList(Photographer& camera, const Document& document, const std::filesystem::path& folder)
{
    HandOffList pages{document.title().toStdString(), {}};
    for (const SentFile& sent : sentFilesOf(document.store()))
        pages.pictures.push_back({sent, folder / sent.name, {"The rim is chipped"}, {{0.4, 0.55}}, 1});
    if (const auto page = handOffPage(pages, 0, 1.3))
        camera.take(QImage(reinterpret_cast<const uchar*>(page->pixels.data()), page->width, page->height,
                           QImage::Format_RGB32),
                    "hand-off-list");
}

}  // namespace

void tourOfHandover(Photographer& camera, MainWindow& window)
{
    tourOfRecipes(camera, window);
    Document& document = window.document();
    HandoverPlace& place = window.handover();
    const QTemporaryDir out;
    const std::filesystem::path folder = out.path().toStdString();
    SendChoices choices;
    choices.frames = {frameNamed(document, "yard-03"), frameNamed(document, "north-window-04")};
    choices.steps = 1, choices.minutes = 20;
    choices.note = "Dust on the wall, the crumb on the bench";
    place.go(HandoverPlace::Tab::Retouching);
    place.retouching().send(choices, out.path());
    camera.waitFor([&] { return !place.retouching().isBusy(); }, "sending");
    shootList(camera, document, folder);
    RetouchEdits edits;
    edits.heal = 8, edits.shift = 1.2;
    if (retouch(folder / "yard-03.tif", folder / "yard-03 final.tif", edits))
        place.retouching().takeBack({out.filePath("yard-03 final.tif")});
    camera.waitFor([&] { return !place.retouching().isBusy(); }, "the way back");
    // When it was is no matter of the picture.
    window.findChild<QTableWidget*>("sentFiles")->setColumnHidden(4, true);
    camera.take(window, "retouching");
    document.selection().setFrameInHand(frameNamed(document, "yard-03"));
    window.go(MainWindow::Place::Look);
    camera.waitFor([&] { return wallIsDone(window.look(), document.selection().companions().size()); }, "the picture");
    camera.take(window, "returned");
}

}  // namespace amber
