#include "app/shortcuts/shortcuts.h"

#include "app/settings/own_settings.h"
#include "app/theme/controls.h"
#include "app/words/language.h"

namespace amber {
namespace {

QString tr(const char* words) { return QCoreApplication::translate("Shortcuts", words); }

struct Keys {
    QString keys, words;
};

/// Keys that widgets answer themselves while they have the focus.
std::vector<Keys> localKeys()
{
    return {
        {tr("Arrows"), tr("Contact sheet: move about. Bench: move the chosen handle")},
        {tr("Shift+Arrows"), tr("Bench: move the chosen handle by ten steps")},
        {tr("Page Up, Page Down"), tr("Bench: choose another handle")},
        {tr("Home"), tr("Bench: put the chosen handle back")},
        {tr("Insert, Delete"), tr("Bench and step line: add, remove")},
        {tr("Left, Right"), tr("Step line: choose a step. Split line: move it")},
        {tr("Shift+Left, Shift+Right"), tr("Step line: move the step")},
        {tr("Shift+click, Ctrl+Shift+Left, Right"), tr("Step line: choose several steps")},
        {tr("Ctrl+C, Ctrl+V, Ctrl+G"),
         tr("Step line: copy the chosen steps, paste them after the one in hand, name them")},
        {tr("Up, Down"), tr("A number: one just noticeable difference. Step line: what the step did; Enter shows it")},
        {tr("Arrows on the picture"), tr("Point at it; Enter marks while marking")},
        {tr("Space"),
         tr("Step line: switch the step off or on, with Ctrl its whole group. Contact sheet: take in hand")},
        {tr("Enter"), tr("Contact sheet: to the look. Companion: take it in hand. Ladder: take the row, with Shift all "
                         "down to it, with Ctrl every row")},
        {tr("C"), tr("Contact sheet: companion or not")},
        {tr("E, W, T, D, L"),
         tr("Balance, held while dragging on the picture: exposure, white, tint, dark end, light end")},
        {tr("G"), tr("Crop on the picture: thirds or diagonals")},
        {tr("Enter, Delete, N"),
         tr("Areas: confirm, refuse, not in this frame; J goes to the next, A to another offer")},
        {tr("T, B, R, E, O, C, P"),
         tr("Areas: thing, box, ramp, ellipse, outline, colours, brush; brackets change the radius, Shift takes away")},
        {tr("0 to 5"), tr("Contact sheet: rate the chosen frames")},
        {tr("B"), tr("Sweep sheet: bookmark the chosen tile. Contact sheet on pages: without the look")},
        {tr("N, Shift+N"), tr("Checks: the next finding, the one before")},
        {tr("Flicker"), tr("Compare: both versions by turns, about one change a second and never more than three, "
                           "because faster flicker can bring on seizures")}};
}

/// How things are looked at.
std::vector<Shortcut> viewKeys()
{
    return {
        {"help", QKeySequence(Qt::Key_F1), tr("Guide: what one can do here, and all keys")},
        {"isItSo", QKeySequence(Qt::SHIFT | Qt::Key_F1), tr("Is it so? Sayings measured on the frame in hand")},
        {"came", QKeySequence(Qt::Key_F2), tr("Hold: the picture as it came"), true},
        {"balanced", QKeySequence(Qt::SHIFT | Qt::Key_F2), tr("Hold: the picture balanced, without the look"), true},
        {"before", QKeySequence(Qt::Key_F3), tr("Hold: the look up to before the chosen step"), true},
        {"split", QKeySequence(Qt::Key_F4), tr("Split line on the picture, before and after")},
        {"extreme", QKeySequence(Qt::Key_F5), tr("Hold: the number in hand at its upper end; with Shift at its lower"),
         true},
        {"pin", QKeySequence(Qt::Key_F6), tr("Pin this version of the look")},
        {"compare", QKeySequence(Qt::Key_F7), tr("Compare two versions")},
        {"tray", QKeySequence(Qt::Key_F8), tr("Tray of pinned versions")},
        {"library", QKeySequence(Qt::Key_F9), tr("All looks of the job")},
        {"sweep", QKeySequence(Qt::CTRL | Qt::Key_W), tr("Sweep sheet of the chosen step")},
        {"actual", QKeySequence(Qt::Key_F10), tr("Pixel for pixel, or fitted")},
        {"quiet", QKeySequence(Qt::Key_F11), tr("Quiet view: only the picture")},
        {"clipped", QKeySequence(Qt::CTRL | Qt::Key_K), tr("Mark clipped pixels; F12 while it is held")},
        {"screen", QKeySequence(Qt::CTRL | Qt::Key_D), tr("Screen: its profile, a page to judge it by, proofs")},
        {"clientView", QKeySequence(Qt::CTRL | Qt::SHIFT | Qt::Key_D), tr("Client view: the frame alone in a window")},
        {"withLook", QKeySequence(Qt::CTRL | Qt::Key_L), tr("Balance: with the look, or without")},
        {"mark", QKeySequence(Qt::CTRL | Qt::Key_M), tr("Mark on the picture")},
        {"remark", QKeySequence(Qt::CTRL | Qt::SHIFT | Qt::Key_M), tr("Set a pin on the picture")},
        {"palette", QKeySequence(Qt::CTRL | Qt::SHIFT | Qt::Key_P), tr("Palette test of a room, cloth or props")},
        {"intent", QKeySequence(Qt::CTRL | Qt::Key_I), tr("Intent card")},
        {"findings", QKeySequence(Qt::CTRL | Qt::Key_F), tr("Findings")},
        {"bench", QKeySequence(Qt::CTRL | Qt::Key_B), tr("Bench: the chosen step")},
    };
}

/// Where to go, and what is done everywhere.
std::vector<Shortcut> placeKeys()
{
    return {
        {"shoot", QKeySequence(Qt::CTRL | Qt::Key_1), tr("Shoot")},
        {"balance", QKeySequence(Qt::CTRL | Qt::Key_2), tr("Balance")},
        {"areas", QKeySequence(Qt::CTRL | Qt::Key_3), tr("Areas")},
        {"look", QKeySequence(Qt::CTRL | Qt::Key_4), tr("Look")},
        {"match", QKeySequence(Qt::CTRL | Qt::Key_5), tr("Match")},
        {"proof", QKeySequence(Qt::CTRL | Qt::Key_6), tr("Proof")},
        {"handover", QKeySequence(Qt::CTRL | Qt::Key_7), tr("Hand over")},
        {"log", QKeySequence(Qt::CTRL | Qt::Key_8), tr("Log")},
        {"practice", QKeySequence(Qt::CTRL | Qt::Key_9), tr("Practice")},
        {"nextThing", QKeySequence(Qt::CTRL | Qt::Key_N), tr("To the next thing of the route")},
        {"open", QKeySequence(Qt::CTRL | Qt::Key_O), tr("Open a folder")},
        {"undo", QKeySequence(Qt::CTRL | Qt::Key_Z), tr("Undo")},
        {"redo", QKeySequence(Qt::CTRL | Qt::SHIFT | Qt::Key_Z), tr("Redo")},
        {"next", QKeySequence(Qt::ALT | Qt::Key_Right), tr("Take the next frame in hand")},
        {"previous", QKeySequence(Qt::ALT | Qt::Key_Left), tr("Take the previous frame in hand")},
        {"add", QKeySequence(Qt::CTRL | Qt::Key_Plus), tr("Add a step")},
        {"settings", QKeySequence(Qt::CTRL | Qt::Key_Comma), tr("Settings")},
        {"quit", QKeySequence(Qt::CTRL | Qt::Key_Q), tr("Quit"), true},
    };
}

}  // namespace

const std::vector<Shortcut>& shortcuts()
{
    return inLanguage([] {
        std::vector<Shortcut> both = viewKeys();
        for (const Shortcut& s : placeKeys())
            both.push_back(s);
        return both;
    });
}

QKeySequence keysOf(const char* id)
{
    const auto& own = OwnSettings::instance().get().keys;
    if (const auto found = own.find(id); found != own.end())
        return QKeySequence::fromString(QString::fromStdString(found->second), QKeySequence::PortableText);
    for (const Shortcut& s : shortcuts())
        if (std::strcmp(s.id, id) == 0)
            return s.keys;
    return {};
}

QString withKeys(const QString& words, const char* id)
{
    const QString keys = keysOf(id).toString(QKeySequence::NativeText);
    return keys.isEmpty() ? words : tr("%1 (%2)").arg(words, keys);
}

QString faultOfKeys(const char* id, const QKeySequence& keys)
{
    if (keys.isEmpty())
        return {};
    const QKeyCombination first = keys[0];
    const bool isFunction = first.key() >= Qt::Key_F1 && first.key() <= Qt::Key_F35;
    if (keys.count() > 1)
        return tr("One combination of keys, please.");
    if (!isFunction && !(first.keyboardModifiers() & (Qt::ControlModifier | Qt::AltModifier)))
        return tr("Keys without Ctrl or Alt belong to what has the focus.");
    static constexpr QKeyCombination kOfWidgets[] = {
        Qt::CTRL | Qt::Key_A, Qt::CTRL | Qt::Key_C,     Qt::CTRL | Qt::Key_V,      Qt::CTRL | Qt::Key_X,
        Qt::CTRL | Qt::Key_G, Qt::CTRL | Qt::Key_Space, Qt::CTRL | Qt::Key_Return, Qt::CTRL | Qt::Key_Enter};
    if (std::find(std::begin(kOfWidgets), std::end(kOfWidgets), first) != std::end(kOfWidgets))
        return tr("These keys belong to what has the focus.");
    if (first == QKeyCombination(Qt::Key_F12))
        return tr("F12 marks clipped pixels while it is held.");
    for (const Shortcut& s : shortcuts())
        if (std::strcmp(s.id, id) != 0 && keysOf(s.id) == keys)
            return tr("%1 is taken: %2").arg(keys.toString(QKeySequence::NativeText), s.words);
    return {};
}

namespace {

/// Two columns: what works everywhere, and what the widget with the focus answers.
QWidget* listOfKeys(QWidget* parent)
{
    auto* list = new QWidget(parent);
    auto* grid = new QGridLayout(list);
    grid->setHorizontalSpacing(24);
    grid->setVerticalSpacing(7);
    const auto add = [&](int row, int column, const QString& keys, const QString& words) {
        auto* left = new QLabel(keys, list);
        left->setProperty("strong", true);
        grid->addWidget(left, row, column, Qt::AlignTop);
        auto* right = new QLabel(words, list);
        right->setWordWrap(true);
        constexpr int kWidth = 320;
        right->setFixedWidth(kWidth);
        right->ensurePolished();
        right->setMinimumHeight(right->heightForWidth(kWidth));  // a grid alone would cut the second line off
        grid->addWidget(right, row, column + 1, Qt::AlignTop);
    };
    int row = 0;
    for (const Shortcut& s : shortcuts())
        add(row++, 0, keysOf(s.id).toString(QKeySequence::NativeText), s.words);
    row = 0;
    for (const Keys& k : localKeys())
        add(row++, 2, k.keys, k.words);
    return list;
}

}  // namespace

void showShortcuts(QWidget* parent)
{
    QDialog dialog(parent);
    dialog.setObjectName("shortcutsDialog");
    dialog.setWindowTitle(tr("Shortcuts"));
    QWidget* list = listOfKeys(&dialog);
    auto* close = new QPushButton(tr("Close"), &dialog);
    QObject::connect(close, &QPushButton::clicked, &dialog, &QDialog::accept);
    // On a low screen the list is scrolled, never cut.
    QScrollArea* scroll = makeScroll(list, &dialog);
    const int room = parent && parent->screen() ? parent->screen()->availableGeometry().height() - 160 : 640;
    scroll->setMinimumSize(list->sizeHint().width() + 16, std::min(list->sizeHint().height() + 4, room));
    auto* layout = new QVBoxLayout(&dialog);
    layout->setContentsMargins(24, 20, 24, 18);
    layout->addWidget(scroll);
    layout->addSpacing(12);
    layout->addWidget(close, 0, Qt::AlignRight);
    dialog.exec();
}

}  // namespace amber
