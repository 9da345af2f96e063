#include "app/guide/guide_text.h"

#include "app/shortcuts/shortcuts.h"
#include "app/words/language.h"

#include <QCoreApplication>

namespace amber {
namespace {

QString tr(const char* words) { return QCoreApplication::translate("Guide", words); }

GuidePage::Key key(const char* id)
{
    for (const Shortcut& s : shortcuts())
        if (std::strcmp(s.id, id) == 0)
            return {keysOf(id).toString(QKeySequence::NativeText), s.words};
    return {};
}

GuidePage way()
{
    return {"way",
            tr("From folder to delivery"),
            tr("Six steps. Each is a place on the left; nothing has to be finished before the next is begun."),
            {},
            {key("nextThing"), key("undo"), key("help")},
            {{"shoot", tr("1  Shoot"),
              tr("Open a folder. Frames lit alike come together by themselves; pictures are never written to.")},
             {"balance", tr("2  Balance"),
              tr("Solve the light of all frames at once, so that a look lands the same on each.")},
             {"look", tr("3  Look"),
              tr("Build the look from steps, on one frame with others beside it. Every step shows what it did.")},
             {"match", tr("4  Match"),
              tr("Hold a reference beside it; take over what you want, row by row, with reasons.")},
             {"proof", tr("5  Proof"), tr("See in numbers whether the shoot holds together, and what could be wrong.")},
             {"handover", tr("6  Hand over"),
              tr("Write files by recipes. Each is read back; nothing of yours is ever replaced.")}}};
}

GuidePage shoot()
{
    return {"shoot",
            tr("Shoot"),
            tr("All frames of the job: what they are, which were lit alike, and how far they are."),
            {tr("Open a folder, a job or pictures; drop them on the window; watch a folder while you shoot."),
             tr("Frames are parted into lights. Move them by their menu; the first of a light stands for it."),
             tr("Rate with 0 to 5, tick off with D, choose companions with C; Space takes a frame in hand."),
             tr("Sort, filter, or show the frames as they came, balanced or finished."),
             tr("Brackets, duplicates, lost pictures and colour cards are told; nothing is changed without you.")},
            {key("open"),
             key("next"),
             key("previous"),
             {tr("Space"), tr("Take in hand")},
             {tr("0 to 5"), tr("Rate")},
             {tr("D"), tr("Tick off")}}};
}

GuidePage balance()
{
    return {"balance",
            tr("Balance"),
            tr("Bring every frame onto one footing before the look: light, white, ends, lens, crop."),
            {tr("Solve all frames together; each says what its balance rests on and how sure it is."),
             tr("Set a number by hand: it is locked, and solving leaves it. Click a grey to make it neutral."),
             tr("One number for several chosen frames, set alike or shifted alike."),
             tr("Turn, set upright, crop, for several ratios; undo what the lens did; take noise off."),
             tr("Hold a letter and drag on the picture: E exposure, W white, T tint, D and L the ends.")},
            {key("withLook"),
             key("clipped"),
             key("split"),
             key("came"),
             {tr("E, W, T, D, L"), tr("Held while dragging on the picture")}}};
}

GuidePage areas()
{
    return {"areas",
            tr("Areas"),
            tr("Where the roles of a look lie on each frame: skin, sky, the dish. A look works on roles, so local work "
               "travels."),
            {tr("Choose a role and let it be found; confirm, refuse, or draw it by hand."),
             tr("Add or take away with box, ellipse, outline, ramp, brush, or by colour."),
             tr("Say that a role is not in a frame: then nothing waits for it."),
             tr("Once drawn on one frame it is found again on the others.")},
            {{tr("Enter"), tr("Confirm")},
             {tr("Delete"), tr("Refuse")},
             {tr("N"), tr("Not in this frame")},
             {tr("J"), tr("The next frame")},
             {tr("A"), tr("Another offer")}}};
}

GuidePage look()
{
    return {"look",
            tr("Look"),
            tr("The look is a line of steps from left to right. The frame in hand stands beside companions from other "
               "lights."),
            {tr("Add a step, drag it to another place, switch it off; the bench below edits the chosen one."),
             tr("Point at the picture: the bench marks which handle owns that colour. Drag on it to move that handle."),
             tr("Mark key colours: they are measured after every step."),
             tr("Sweep one quantity over a sheet, pick a tile, sweep finer."),
             tr("Pin a version with a note; compare any two; take one back from the tray."),
             tr("Set a pin on the picture or on a step for what is still to be decided."),
             tr("Palette test: see how a room, cloth or props will come out before the shoot.")},
            {key("add"), key("split"), key("before"), key("pin"), key("compare"), key("sweep"), key("remark"),
             key("palette"), key("isItSo"), key("quiet")}};
}

GuidePage match()
{
    return {
        "match",
        tr("Match"),
        tr("Take over from a reference what you want of it: a picture, a frame, a pair before and after, or a table."),
        {tr("The ladder lists what differs, the largest first, each row with its reason and its gain."),
         tr("Take a row, all down to it, or every row; each becomes steps that can be edited."),
         tr("From pairs and tables a look is found, with what is left over told."),
         tr("What cannot be matched is said, not forced.")},
        {{tr("Enter"), tr("Take the row")},
         {tr("Shift+Enter"), tr("All down to it")},
         {tr("Ctrl+Enter"), tr("Every row")}}};
}

GuidePage proof()
{
    return {"proof",
            tr("Proof"),
            tr("Whether the shoot holds together, and what could be wrong with it, before anybody else sees it."),
            {tr("Table: key colours and tones, frame by frame, with what stands out and why."),
             tr("Checks for a use: each finding with its value, its limit, its place and a cure to try."),
             tr("Let a finding stand with a reason; it opens again when it gets worse."),
             tr("Contact sheet and report as pages."), tr("Screens and prints: the frame as others will see it.")},
            {{tr("N, Shift+N"), tr("The next finding, the one before")}, key("screen"), key("clientView")}};
}

GuidePage handover()
{
    return {"handover",
            tr("Hand over"),
            tr("Files for every receiver by recipes: size, weight, colour, names."),
            {tr("Tick several recipes; each frame is read and rendered once."),
             tr("Before anything is written, what stops and what is only said is listed."),
             tr("Every file is read back and held against what it should be; the list beside the files says what each "
                "is made of."),
             tr("Handed over again, only what changed is made."),
             tr("Send frames to a retoucher and take them back: they are known again, and nothing is graded twice."),
             tr("Ask the client; remarks come back as pins.")},
            {key("handover"), key("nextThing")}};
}

GuidePage log()
{
    return {"log",
            tr("Log"),
            tr("What was done, on what, from which value to which, and why; what is to be done next."),
            {tr("Journal: every entry as sentences, by day. Type a reason at any time. See the frame then beside now."),
             tr("Filter by look, frame, kind or words; copy it, or save it as text, table or pages."),
             tr("Replay: make a version of a look from the entries you choose."),
             tr("Difference: two versions in words, numbers and pictures."),
             tr("Route: stages in your order, ticked by what was done, or by hand; the time each takes."),
             tr("Pins: what is open, from you, the checks and the client.")},
            {key("nextThing"), key("remark"), {tr("Space, Enter"), tr("Route: tick, or leave open")}}};
}

GuidePage practice()
{
    return {"practice",
            tr("Practice"),
            tr("Five drills of ten rounds, about three minutes each, as hard as you can just do."),
            {tr("Name the family: which family of hues owns a colour."),
             tr("Read the cast: which way a picture leans, and how far."),
             tr("Match by eye: move one step until two pictures are alike."),
             tr("Find the odd frame: one of nine differs by a known amount."),
             tr("Count the stops between two pictures."),
             tr("The plot shows what you can tell apart, and how sure that is. Results stay on this machine.")},
            {{tr("1 to 9"), tr("Answer")},
             {tr("Arrows"), tr("Match by eye: move")},
             {tr("Enter"), tr("Begin, next")},
             {tr("Esc"), tr("End the sitting")}}};
}

}  // namespace

const std::vector<GuidePage>& guidePages()
{
    return inLanguage([] {
        return std::vector<GuidePage>{way(),   shoot(), balance(),  areas(), look(),
                                      match(), proof(), handover(), log(),   practice()};
    });
}

const GuidePage& guidePage(const QString& id)
{
    for (const GuidePage& page : guidePages())
        if (id == QLatin1String(page.id))
            return page;
    return guidePages().front();
}

QString guideMarkdown(const GuidePage& page)
{
    QString text = QStringLiteral("# %1\n\n%2\n").arg(page.title, page.about);
    if (!page.pictures.empty()) {
        text += QLatin1Char('\n');
        for (const GuidePage::Picture& picture : page.pictures)
            text += QStringLiteral("- **%1**: %2\n").arg(picture.title.mid(3), picture.words);
    }
    if (!page.does.isEmpty()) {
        text += QLatin1Char('\n');
        for (const QString& line : page.does)
            text += QStringLiteral("- %1\n").arg(line);
    }
    text += QStringLiteral("\n| Keys | |\n|---|---|\n");
    for (const GuidePage::Key& k : page.keys)
        text += QStringLiteral("| %1 | %2 |\n").arg(k.keys, k.words);
    return text;
}

}  // namespace amber
