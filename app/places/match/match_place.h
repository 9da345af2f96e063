// The Match place: a reference on the left, the frame in hand under the look on the right, and the ladder of what lies
// between them; or what a fit to a pair or a table found.
#pragma once

#include "app/document/document.h"
#include "app/places/match/held.h"
#include "app/places/match/ladder_model.h"
#include "app/places/match/match_pictures.h"
#include "app/places/match/related.h"
#include "app/render/render_service.h"
#include "app/task/task.h"
#include "core/match/take_asked.h"

#include <QWidget>

class QCheckBox;
class QComboBox;
class QLabel;
class QStackedWidget;
class QTableView;
class QTimer;

namespace amber {

class FitCoverage;
class FitReport;
class FrameModel;
struct CarriedLight;
struct NearLook;
struct Tile;
class MatchPanel;
class MatchSources;
class PictureView;

class MatchPlace : public QWidget {
    Q_OBJECT

public:
    MatchPlace(Document& document, ProxyStore& proxies, FrameModel& frames, QWidget* parent = nullptr);

    void holdPictures(const QStringList& paths);
    void holdFrame();
    /// Before and after of one treatment, of one picture or of several: before, after, before, after ...
    void holdPairs(const QStringList& paths);
    void holdTable(const QString& path);
    const Held& held() const { return m_held; }
    LadderModel& model() { return *m_model; }
    QTableView& table() { return *m_table; }
    FitCoverage& coverage() { return *m_coverage; }
    Task& task() { return *m_task; }
    PictureView& ours();
    /// The frame in hand shows the reference's things: one can be laid over the other.
    bool isRegistered() const { return m_related->registration().has_value(); }
    /// Nothing is being read, fitted, compared or waiting to be shown.
    bool isAtRest() const;
    /// Shows ours as one of its befores, as long as a key is held.
    void holdBefore(std::optional<RenderRequest::State> state);
    /// The first row of light: those before it are framing and light by place.
    int firstToTake() const;
    void takeThis();
    void takeToHere();
    void takeAll();

signals:
    void workRequested();

protected:
    void showEvent(QShowEvent*) override;
    bool eventFilter(QObject* watched, QEvent* event) override;

private:
    void connectDocument();
    void makeTable();
    void connectParts();
    QWidget* makeHeader();
    void hold(const Held& wanted, bool isNew);
    void took(Held held, bool isNew);
    void restore();
    void relate();
    void refresh();
    void showReference();
    /// On the left the reference; for a table the frame in hand through it.
    MatchPictures::Side referenceSide(const std::shared_ptr<const Proxy>& proxy, const QString& name) const;
    std::function<Fingerprint(const Membership&)> atOurPlaces() const;
    std::shared_ptr<const Image> large() const;
    void refreshLadder();
    void showPictures();
    void showBefore(MatchPictures::Side& ours, const Frame& frame);
    enum class HowFar { AllTheWay, AsIsLikely };
    RowsAsked rowsAsked(const std::set<std::size_t>& rows, HowFar howFar) const;
    void take(const std::set<std::size_t>& rows, HowFar howFar, const QString& action);
    void takeFraming(const QString& action);
    bool isLeft(std::int64_t frame);
    void carryToLights();
    void carry(const std::vector<CarriedLight>& carried, const std::vector<std::size_t>& which, const Look& before);
    void showNearest();
    std::vector<Tile> tilesOf(const std::vector<NearLook>& near, const std::vector<Look>& looks) const;
    void takeFall(std::size_t row, const QString& action);
    void take(const std::function<Result<Taken>(const CancelToken&)>& work, const QString& action);
    void takeFit(bool asNew);
    Balance solvedLight() const;
    void takeBalance();
    QString group() const;
    std::optional<RenderRequest::State> m_before;
    enum class Which { Supported, Sure };
    std::set<std::size_t> rowsDownTo(int last, Which which) const;
    Look oursLook() const;

    Document& m_document;
    ProxyStore& m_proxies;
    LadderModel* m_model;
    Task* m_task;
    Related* m_related;
    QTimer* m_later;
    MatchPictures* m_pictures;
    MatchPanel* m_panel;
    MatchSources* m_sources;
    QTableView* m_table;
    FitReport* m_report;
    FitCoverage* m_coverage;
    QStackedWidget* m_lower;
    RenderSlot* m_ladderSlot;
    QLabel* m_state;
    QComboBox* m_map;
    QCheckBox* m_wipe;

    Held m_held;
    bool m_isRestored = false;  ///< what the job kept as held, when the place is first shown
    Membership m_members;
    Look m_membersOf;
};

}  // namespace amber
