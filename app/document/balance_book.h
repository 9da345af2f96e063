// What belongs to single frames and to no look: their balances, the cameras' responses, where key colours lie on them.
// Kept with the job; every change is a gesture that can be taken back, also after a restart.
#pragma once

#include "core/frame/frame_balance.h"
#include "core/measure/key_colour.h"

#include <QObject>
#include <QString>
#include <map>
#include <optional>

namespace amber {

class Document;

class BalanceBook : public QObject {
    Q_OBJECT

public:
    explicit BalanceBook(Document& document);

    /// As it came, when what is kept of it cannot be read: fault() tells.
    FrameBalance of(std::int64_t frame) const;
    /// Why the kept balance of a frame cannot be read; empty when it can. Such a frame is not handed over.
    std::string fault(std::int64_t frame) const;
    /// The curve by which a frame's picture came to be.
    Response responseOf(const FrameBalance& balance) const;
    bool hasResponse(const std::string& name) const { return m_responses.count(name) > 0; }
    void setResponse(const std::string& name, const Response& response);

    /// One gesture over any number of frames.
    void set(const std::map<std::int64_t, FrameBalance>& balances, const QString& action);
    /// On screen only, until set() or forget(): for numbers that are being dragged.
    void preview(std::int64_t frame, const FrameBalance& balance);
    QString undoAction() const;
    QString redoAction() const;
    void undo();
    void redo();

    /// Where a key colour lies on a frame other than the one it was marked on.
    struct KeyPlace {
        std::string key;
        std::int64_t frame = 0;
        Region place;
        double confidence = 0;
        bool isConfirmed = false;
        bool operator==(const KeyPlace&) const = default;
    };
    const std::vector<KeyPlace>& keyPlaces() const { return m_places; }
    std::optional<KeyPlace> keyPlace(const std::string& key, std::int64_t frame) const;
    void setKeyPlaces(const std::vector<KeyPlace>& places);

    /// The document's job is another one.
    void reload();

signals:
    void changed(std::int64_t frame);  ///< its pixels may differ
    void historyChanged();
    void keyPlacesChanged();

private:
    void move(int way);
    /// What is marked on a frame stays on the things it marks when the frame is turned or cropped.
    void carryMarks(std::int64_t frame, const Geometry& before, const Geometry& after);
    std::string entryName(int index) const;

    Document& m_document;
    std::map<std::int64_t, FrameBalance> m_balances;
    std::map<std::int64_t, std::string> m_faults;
    std::map<std::string, Response> m_responses;
    std::vector<KeyPlace> m_places;
    int m_at = 0, m_count = 0;  ///< gestures done, gestures known
};

}  // namespace amber
