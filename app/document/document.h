// The document: the open job. It alone changes it; views read it and send intents. Parts: the looks and the one in
// hand, the selection, the balances with what is being dragged over them.
#pragma once

#include "app/document/balances.h"
#include "app/document/looks_in_hand.h"
#include "app/document/selection.h"
#include "app/words/words.h"
#include "core/handover/job_batch.h"
#include "core/job/job_store.h"
#include "core/job/shoot_work.h"

#include <QObject>
#include <QString>
#include <functional>
#include <map>
#include <optional>

class QTimer;

namespace amber {

struct OpenedShoot;
class Task;

class Document : public QObject {
    Q_OBJECT

public:
    explicit Document(QObject* parent = nullptr);
    ~Document() override;

    LooksInHand& looks() { return *m_looks; }
    const LooksInHand& looks() const { return *m_looks; }
    Selection& selection() { return *m_selection; }
    const Selection& selection() const { return *m_selection; }
    Balances& balances() { return *m_balances; }
    const Balances& balances() const { return *m_balances; }

    /// Opens a folder of pictures, a job file, or a list of picture files (their folder's job, with these added), in
    /// the background: opened() or notOpened() tells how it ended. What was open before can be worked on until then,
    /// and still is open when it fails. Pictures that the job does not know and that may be its lost ones are held
    /// back. Of several wishes the last counts.
    void open(const std::vector<std::filesystem::path>& paths);
    Task& opening() { return *m_opening; }
    /// What is to be said of the job that was opened last: that nothing is kept, where it lies, what of it cannot be
    /// read. Empty when all is well.
    const QString& notice() const { return m_notice; }
    bool isOpen() const { return m_store.has_value(); }
    /// What is done here is not kept.
    bool isReadOnly() const { return m_store && m_store->isReadOnly(); }
    QString title() const;
    QString folder() const { return m_folder; }
    /// A place as it is kept with the job, so that it moves along with it; and back.
    std::string keptPlace(const QString& place) const;
    QString placeOf(const std::string& kept) const;

    /// Pictures. The endings of picture files as patterns: "*.jpg".
    static const QStringList& pictureEndings();
    const std::vector<Frame>& frames() const { return m_frames; }
    const Frame* frame(FrameId id) const;
    /// Takes further pictures into the open job; frames already in it stay as they are.
    Status addFrames(const std::vector<std::filesystem::path>& paths);
    const std::vector<std::filesystem::path>& heldBack() const { return m_heldBack; }
    /// Adds those that were held back and are nobody's lost picture.
    Status addHeldBack(const std::vector<std::filesystem::path>& unknown);
    /// Lost frames whose pictures were found elsewhere.
    Status moveFrames(const std::vector<std::pair<FrameId, std::filesystem::path>>& places);
    /// Frames whose files hold another content than the job remembers: their names were given to other pictures, or
    /// they were changed.
    const std::map<FrameId, std::string>& changedContents() const { return m_changed; }
    /// They are the same pictures, changed: their frames go on with them. Or other pictures: these become frames of
    /// their own, and the former are lost.
    Status settleChanged(bool areTheSame);
    /// Remembers a frame's content; contents are written together, a moment later. Another content than before is not
    /// taken for the frame's: it is listed in changedContents().
    void setFrameContent(FrameId id, const std::string& hash, std::uintmax_t bytes);
    void setFrameFault(FrameId id, const QString& fault);
    /// Where frames show a colour card, once it was looked for.
    void setCards(const FoundCards& cards);
    std::vector<std::filesystem::path> cardFolders() const;
    /// What of a frame counts for measures.
    Framing countedFraming(FrameId id) const;
    /// Where the roles that a look uses lie on a frame, as it is balanced; null when it has none of them.
    std::shared_ptr<const FrameAreas> areasFor(const Look& look, FrameId id, const FrameBalance& balance,
                                               double sourceRatio) const;

    /// Where all roles lie on a frame as it is balanced; null when no area is known.
    std::shared_ptr<const FrameAreas> areasOf(FrameId id, double sourceRatio) const;

    /// Everything that was decided. Empty while nothing is open.
    const Job& job() const;
    /// Makes `after` the job, as one gesture that can be taken back, also after a restart. False, and said, when it
    /// could not be kept.
    bool commit(const Job& after, const QString& action, const QString& reason = {});
    /// A look of the job as it is to be, in hand or not; as one gesture.
    bool commitLook(LookId id, const Look& look, const QString& action);
    /// What follows from the pictures and is nobody's gesture: the lights of frames that came in, what was found again.
    void adopt(const Job& after);
    /// One gesture over any number of frames.
    void setRating(const std::vector<FrameId>& frames, int rating);
    void setFraming(FrameId frame, const Framing& framing);
    void setKeyColours(const std::vector<KeyColour>& keys, const QString& action);
    void setLights(const std::vector<Light>& lights, const QString& action);
    /// A look for these frames, or with 0 none of their own: then they have that of their light, else the one for all.
    void chooseLook(const std::vector<FrameId>& frames, LookId look);
    /// A look for all frames of a light, or with 0 none of its own.
    void chooseLookOfLight(int light, LookId look);
    QString undoAction() const;
    QString redoAction() const;
    /// Takes the last gesture back, whatever it was made on, and takes in hand what it was made on.
    void undo();
    void redo();

    /// Which pictures are handed over, and what belongs to each.
    JobBatch batchOf(const std::vector<FrameId>& frames, const CardRule& cards = {}) const;

    /// What happened and is no gesture, kept with the job: files sent out, rounds of an answer. False, and said, when
    /// it could not be.
    bool keep(const std::function<Status(JobStore&)>& facts);

    /// To read of it; while one is open.
    const JobStore& store() const { return *m_store; }

    /// What lies at hand: kept, but no gesture.
    const Desk& desk() const;
    void changeDesk(const std::function<void(Desk&)>& change);

signals:
    void leaving();  ///< another job takes this one's place: drop what was read for it
    void opened();
    void notOpened(const QString& why);
    void framesChanged();
    void frameFound(FrameId frame);  ///< another file is its picture now, or none: drop what was read of it
    void contentsChanged();          ///< what changedContents() gives
    void settling();                 ///< what is on screen only is to become a gesture now
    void historyChanged();           ///< what undo and redo would do
    void keyColoursChanged();
    void keyPlacesChanged();
    void areasChanged();  ///< of one frame or several
    void lightsChanged();
    void checkUsesChanged();
    void acceptedChanged();  ///< findings that were let stand
    void pinsChanged();
    void recordsChanged();      ///< what keep() added
    void setsChanged();         ///< which frames belong to which sets
    void chosenLooksChanged();  ///< which look is meant for which frames
    void ratingsChanged();
    void doneChanged();
    void usedChanged();  ///< which exposures of brackets count
    void framingChanged(FrameId frame);
    void balancesChanged();  ///< of one frame or several: Balances::changed tells which
    void failed(const QString& message);

private:
    void tellAll();
    static std::string nameOfFirstLook();
    /// Another job takes the place of this one.
    Status take(OpenedShoot&& shoot);
    friend class LooksInHand;
    JobStore& store() { return *m_store; }
    bool check(const Status& status);
    void takeFrames();
    void flushContents();
    void walk(bool isUndo);
    /// Says what differs from `before`.
    void announce(const Job& before);
    void followLooks(const Job& before);
    /// Pictures that stand for frames are others now, or none.
    void followStandIns(const Job& before);
    /// A gesture that was taken back or done again is shown where it was made.
    void show(const Job& before);
    void writeNotice(bool liesElsewhere, std::size_t jobs);

    std::optional<JobStore> m_store;
    Balances* m_balances;
    LooksInHand* m_looks;
    Selection* m_selection;
    QString m_folder, m_notice;
    std::vector<Frame> m_frames;
    std::map<FrameId, std::string> m_changed;
    std::vector<std::filesystem::path> m_heldBack;
    Task* m_opening;
    QMetaObject::Connection m_openingNext;
    QTimer* m_contentTimer;
    std::vector<JobStore::Content> m_contents;
};

}  // namespace amber
