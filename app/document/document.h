// The document: the open job and the look in hand. It alone changes them; views read it and send intents.
#pragma once

#include "app/document/balance_book.h"
#include "core/job/job_store.h"
#include "core/measure/key_colour.h"

#include <QObject>
#include <QString>
#include <map>
#include <optional>
#include <set>

class QTimer;

namespace amber {

class Document : public QObject {
    Q_OBJECT

public:
    explicit Document(QObject* parent = nullptr);
    ~Document() override;

    /// Opens a folder of pictures, a job file, or a list of picture files (their folder's job, with these added). When
    /// it fails, what was open before still is. Pictures that the job does not know and that may be its lost ones are
    /// held back.
    Status openPaths(const std::vector<std::filesystem::path>& paths);
    Status open(const QStringList& paths);
    /// What is to be said of the job that was opened last: that nothing is kept, where it lies, what of it cannot be
    /// read. Empty when all is well.
    const QString& notice() const { return m_notice; }
    const std::vector<std::filesystem::path>& heldBack() const { return m_heldBack; }
    /// Adds those that were held back and are nobody's lost picture.
    Status addHeldBack(const std::vector<std::filesystem::path>& unknown);
    /// Lost frames whose pictures were found elsewhere.
    Status moveFrames(const std::vector<std::pair<std::int64_t, std::filesystem::path>>& places);
    /// Frames whose files hold another content than the job remembers: their names were given to other pictures, or
    /// they were changed.
    const std::map<std::int64_t, std::string>& changedContents() const { return m_changed; }
    /// They are the same pictures, changed: their frames go on with them. Or other pictures: these become frames of
    /// their own, and the former are lost.
    Status settleChanged(bool areTheSame);
    /// Takes further pictures into the open job; frames already in it stay as they are.
    Status addFrames(const std::vector<std::filesystem::path>& paths);
    /// The endings of picture files as patterns: "*.jpg".
    static const QStringList& pictureEndings();
    bool isOpen() const { return m_store.has_value(); }
    /// What is done here is not kept.
    bool isReadOnly() const { return m_store && m_store->isReadOnly(); }
    QString title() const;
    QString folder() const { return m_folder; }
    /// A place as it is kept with the job, so that it moves along with it; and back.
    std::string keptPlace(const QString& place) const;
    QString placeOf(const std::string& kept) const;

    const std::vector<Frame>& frames() const { return m_frames; }
    const Frame* frame(std::int64_t id) const;
    std::int64_t frameInHand() const { return m_frameInHand; }
    const std::vector<std::int64_t>& companions() const { return m_companions; }
    static constexpr std::size_t kCompanionLimit = 5;
    void setFrameInHand(std::int64_t id);
    /// Adds or removes a companion. False when five are chosen already.
    bool toggleCompanion(std::int64_t id);
    void setCompanions(const std::vector<std::int64_t>& chosen);
    /// Remembers a frame's content; contents are written together, a moment later. Another content than before is not
    /// taken for the frame's: it is listed in changedContents().
    void setFrameContent(std::int64_t id, const std::string& hash, std::uintmax_t bytes);
    void setFrameFault(std::int64_t id, const QString& fault);

    /// The shoot's key colours, in the order they were marked. Kept with the job.
    const std::vector<KeyColour>& keyColours() const { return m_keys; }
    void setKeyColours(const std::vector<KeyColour>& keys);
    /// Light groups: frames lit alike, each with a name and a frame that stands for it. Empty until they were proposed
    /// or made.
    struct Group {
        std::string name;
        std::int64_t lead = 0;
        std::vector<std::int64_t> frames;
        bool operator==(const Group&) const = default;
    };
    const std::vector<Group>& groups() const { return m_groups; }
    void setGroups(const std::vector<Group>& groups);
    /// Index into groups(), or -1.
    int groupOf(std::int64_t frame) const;
    /// 0 (not rated) to 5.
    int rating(std::int64_t frame) const;
    void setRating(std::int64_t frame, int rating);
    /// Balances, and where key colours lie on single frames.
    BalanceBook& balances() { return *m_balances; }
    const BalanceBook& balances() const { return *m_balances; }
    /// What of a frame counts: planned crop and regions left out.
    Framing framing(std::int64_t frame) const;
    void setFraming(std::int64_t frame, const Framing& framing);

    /// Frames put aside for a second look, with the version they were left at.
    struct Aside {
        std::int64_t frame = 0, look = 0, revision = 0;
        qint64 leftAt = 0;  ///< seconds since 1970, UTC
    };
    static constexpr qint64 kSecondLookSeconds = 20 * 60;
    void putAside();
    std::vector<Aside> aside() const;
    /// Takes the frame and the look of the first one put aside in hand and forgets that it was aside.
    std::optional<Aside> takeSecondLook();

    /// Why the look in hand cannot be read; empty when it can. While it cannot, an empty look stands in for it and
    /// takes no edits.
    const QString& lookFault() const { return m_lookFault; }
    bool canTakeLastGood() const { return m_lastGood != 0; }
    /// Makes the newest version before that can be read the current one, as a gesture.
    void takeLastGood();
    /// The look as it is on screen, with a gesture in progress.
    const Look& look() const { return m_look; }
    std::int64_t lookId() const { return m_lookId; }
    std::vector<LookEntry> looks() const;
    void chooseLook(std::int64_t id);
    void newLook();
    /// A further look of the job, taken in hand.
    void addLook(const Look& look);
    Status importLook(const QString& path);
    Status exportLook(const QString& path) const;
    void renameLook(const QString& name);
    void duplicateLook(std::int64_t id);
    std::optional<Look> lookOfEntry(std::int64_t id) const;
    /// The mood and the intent card as one gesture.
    void setIntent(const QString& mood, const IntentCard& card);

    int selectedStep() const { return m_selected; }
    void selectStep(int index);
    /// The chosen step as the frame in hand has it (with its own values of what is kept per picture), or nothing.
    const Step* step() const;
    /// By what a look names a frame.
    static std::string pictureName(std::int64_t frame) { return std::to_string(frame); }
    /// The look as a frame has it.
    Look lookOf(std::int64_t frame) const { return lookFor(m_look, pictureName(frame)); }

    /// Changes the look on screen only; a gesture is many of these and one commit().
    void change(const Look& look);
    void changeStep(int index, const StepParameters& parameters);
    /// Makes what is on screen a revision, named by what was done. Nothing happens when nothing changed.
    void commit(const QString& action);
    /// The same once half a second has passed without another: for keys and wheels, whose small steps belong together.
    void commitSoon(const QString& action);
    /// Commits what commitSoon() has put off.
    void commitPending();
    /// Another whole look in the place of this one, as one gesture.
    void takeLook(const Look& look, const QString& action);
    void addStep(const StepParameters& parameters);
    void removeStep(int index);
    void moveStep(int from, int to);

    QString undoAction() const;
    QString redoAction() const;
    void undo();
    void redo();

    /// Pins the version on screen; `surround` is the lightness L* it was judged before.
    void pin(const QString& note, int surround);
    /// Pins a version that never was on screen as the look.
    void pinVariant(const Look& look, const QString& note);
    /// The lightness of the wall a version was judged before; 0 when that was not recorded.
    int surroundOf(std::int64_t revision) const;
    std::vector<PinnedVersion> pins() const;
    std::optional<Look> lookAt(std::int64_t revision) const;
    void setChoice(const std::string& name, const std::string& value);
    void setChoices(const std::vector<std::pair<std::string, std::string>>& choices);
    std::string choice(const std::string& name) const;
    /// A kept text that could not be read when the job was opened: said, and kept aside before anything else is written
    /// under its name.
    void noteUnreadable(const std::string& name, const Error& error);

signals:
    void opening();  ///< another job takes this one's place: drop what was read for it
    void opened();
    void framesChanged();
    void frameFound(std::int64_t frame);  ///< another file is its picture now, or none: drop what was read of it
    void contentsChanged();               ///< what changedContents() gives
    void lookLocked();                    ///< the look in hand cannot be read
    void frameChosen();
    void companionsChanged();
    void lookChanged();   ///< pixels may differ
    void stepsChanged();  ///< order, number or kind of steps, or the chosen look
    void selectionChanged();
    void revisionsChanged();
    void keyColoursChanged();
    void groupsChanged();
    void ratingsChanged();
    void framingChanged(std::int64_t frame);
    void asideChanged();
    void failed(const QString& message);

private:
    bool check(const Status& status);
    void reload();
    /// False, and said, while the look cannot be read.
    bool mayEdit();
    Status readFrames();
    void announceSteps();
    void flushContents();
    void restoreChoices();

    std::optional<JobStore> m_store;
    BalanceBook* m_balances;
    QString m_folder;
    std::vector<Frame> m_frames;
    std::int64_t m_frameInHand = 0, m_lookId = 0;
    std::vector<std::int64_t> m_companions;
    std::vector<KeyColour> m_keys;
    std::vector<Group> m_groups;
    std::map<std::int64_t, int> m_ratings;
    std::map<std::int64_t, Framing> m_framings;
    std::map<std::int64_t, std::string> m_changed;
    std::vector<std::filesystem::path> m_heldBack;
    std::set<std::string> m_unreadable;  ///< names of choices
    QString m_notice, m_lookFault;
    std::int64_t m_lastGood = 0;
    mutable Step m_ownStep;  ///< what step() returns when the frame in hand has values of its own
    Look m_look, m_committed;
    int m_selected = 0;
    QTimer* m_pendingTimer;
    QString m_pendingAction;
    QTimer* m_contentTimer;
    std::vector<JobStore::Content> m_contents;
};

/// The name of a step's kind for the screen.
QString stepTitle(const Step& step);
/// The name of a key colour for the screen.
QString keyColourTitle(const KeyColour& key);
/// A new step of every kind, in the order of the menu.
std::vector<StepParameters> everyKindOfStep();
/// Words with pictures in the place of control characters, which would break the line.
QString oneLine(QString words);
/// The name of a frame for the screen: that of its file, on one line.
QString titleOf(const Frame& frame);
/// std::string and paths for the screen.
QString text(const std::string& s);
QString text(const std::filesystem::path& p);

}  // namespace amber
