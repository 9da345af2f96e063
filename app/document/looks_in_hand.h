// The looks of the job, and the one in hand with the gesture that is going on in it.
#pragma once

#include "core/job/job_store.h"
#include "core/look/scope.h"

#include <QObject>
#include <QString>
#include <optional>

class QTimer;

namespace amber {

class Document;

class LooksInHand : public QObject {
    Q_OBJECT

public:
    explicit LooksInHand(Document& document);

    /// Why the look in hand cannot be read; empty when it can. While it cannot, an empty look stands in for it and
    /// takes no edits.
    const QString& fault() const { return m_fault; }
    bool canTakeLastGood() const { return m_lastGood != 0; }
    /// Makes the newest version before that can be read the current one, as a gesture.
    void takeLastGood();

    /// The look as it is on screen, with a gesture in progress.
    const Look& look() const { return m_look; }
    LookId lookId() const { return m_lookId; }
    /// The look of all frames for which no other was chosen: the one that was taken from the list last. The look in
    /// hand is another one while the frame in hand has its own.
    LookId lookForAll() const;
    /// Without taking it in hand, unless the frame in hand has none of its own. No gesture, as taking a look from the
    /// list is none.
    void setLookForAll(LookId id);
    /// The look that lands on a frame: on the one in hand what is on screen, on others the one chosen for them or for
    /// their light, or that for all. An empty one for a look that cannot be read.
    std::shared_ptr<const Look> onFrame(FrameId frame) const;
    /// A look of the job by its id, as it is on screen.
    Result<Look> read(LookId id) const;
    /// The look of the frame in hand is taken in hand, when another one is.
    void followFrame();
    /// Some frames or lights have a look that was chosen for them.
    bool areSomeChosen() const;
    std::vector<LookEntry> entries() const;
    std::optional<Look> lookOfEntry(LookId id) const;
    void choose(LookId id);
    void newLook();
    /// A further look of the job, taken in hand.
    void addLook(const Look& look, const QString& action = {});
    /// A look from a file, taken in hand; the look of the job that is the same already, when there is one.
    Status importLook(const std::filesystem::path& path);
    Status importLook(const QString& path) { return importLook(std::filesystem::path(path.toStdString())); }
    Status exportLook(const QString& path) const;
    void rename(const QString& name);
    void duplicate(LookId id);
    /// The mood and the intent card as one gesture.
    void setIntent(const QString& mood, const IntentCard& card);

    int selectedStep() const { return m_selected; }
    void selectStep(int index);
    /// The chosen step as the frame in hand has it (with its own values of what is kept per picture), or nothing.
    const Step* step() const;
    /// By what looks know a frame, and the one in hand.
    PictureName pictureName(FrameId frame) const;
    PictureName pictureInHand() const;
    /// The look in hand as the frame in hand has it, and as another has it.
    Look shown() const { return lookFor(m_look, pictureInHand()); }
    Look lookOf(FrameId frame) const { return lookFor(m_look, pictureName(frame)); }

    /// Changes the look on screen only; a gesture is many of these and one commit().
    void change(const Look& look);
    void changeStep(int index, const StepParameters& parameters);
    /// The same of all that a step has. `shown` is the step as the frame in hand has it, changed: what changed changes
    /// for whom it is (scope.h).
    void changeShown(int index, const Step& shown);
    /// What changeShown() would make the look.
    Look withShown(int index, const Step& shown) const;
    /// The frames on which the look in hand lands.
    std::vector<FrameId> framesOfLook() const;
    /// Makes what is on screen a revision, named by what was done. Nothing happens when nothing changed.
    void commit(const QString& action);
    /// The same, with what else of the job changes by it, as one gesture.
    void commitWith(const Job& after, const QString& action);
    /// A set by another name, in the job and in all its looks, as one gesture.
    void renameSet(const std::string& from, const std::string& to);
    /// The same once half a second has passed without another: for keys and wheels, whose small steps belong together.
    void commitSoon(const QString& action);
    /// Commits what commitSoon() has put off.
    void commitPending();
    /// Commits also what nobody has named yet.
    void commitAll();
    /// Another whole look in the place of this one, as one gesture.
    void takeLook(const Look& look, const QString& action);
    /// Together with what is decided in the job.
    void takeLook(const Look& look, const Job& after, const QString& action);
    void addStep(const StepParameters& parameters);
    void removeStep(int index);
    void moveStep(int from, int to);

    /// Steps as text for the clipboard, and put back: before step `at` of a look of the job. What of them does not fit
    /// there (roles that no frame is marked for, sets the job does not have) is said.
    QString copySteps(int first, int last) const;
    void pasteSteps(const QString& part, LookId into, int at);
    /// Steps under one name, or with none parted.
    void groupSteps(int first, int last, const QString& name);

    /// Pins the version on screen; `surround` is the lightness L* it was judged before.
    void pin(const QString& note, int surround);
    /// Pins a version that never was on screen as the look.
    void pinVariant(const Look& look, const QString& note);
    std::vector<PinnedVersion> pins() const;
    /// The lightness of the wall a version was judged before; 0 when that was not recorded.
    int surroundOf(RevisionId revision) const;
    std::optional<Look> lookAt(RevisionId revision) const;

    /// The document's job is another one.
    void restore();
    /// What the job has of the looks has changed: the one in hand is shown as it is now. Of looks that changed one is
    /// taken in hand.
    void follow(const Job& before);

signals:
    void lookLocked();    ///< the look in hand cannot be read
    void lookChanged();   ///< pixels may differ
    void stepsChanged();  ///< order, number or kind of steps, or the chosen look
    void selectionChanged();
    void revisionsChanged();

private:
    /// False, and said, while the look cannot be read.
    bool mayEdit();
    void reload();
    void settle(const Status& saved);
    void take(LookId id);
    void announceSteps();

    Document& m_document;
    LookId m_lookId = 0;
    RevisionId m_lastGood = 0;
    QString m_fault;
    mutable Step m_ownStep;  ///< what step() returns when the frame in hand has values of its own
    Look m_look, m_committed;
    /// Looks other than the one in hand, by the revision they were read at.
    mutable std::map<LookId, std::pair<RevisionId, std::shared_ptr<const Look>>> m_others;
    int m_selected = 0;
    QTimer* m_pendingTimer;
    QString m_pendingAction;
};

/// The name of a step's kind for the screen.
QString stepTitle(const Step& step);
/// A new step of every kind, in the order of the menu.
std::vector<StepParameters> everyKindOfStep();

}  // namespace amber
