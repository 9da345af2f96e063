// The balances of frames as the screen shows them: those of the job, and over them the one that is being dragged.
#pragma once

#include "core/job/job.h"

#include <QObject>
#include <QString>

namespace amber {

class Document;

class Balances : public QObject {
    Q_OBJECT

public:
    explicit Balances(Document& document);

    /// As it came, when what is kept of it cannot be read: fault() tells.
    FrameBalance of(FrameId frame) const;
    /// Why a frame must not be handed over as it stands; empty when it may.
    std::string fault(FrameId frame) const;
    /// The curve by which a frame's picture came to be.
    Response responseOf(const FrameBalance& balance) const;

    /// One gesture over any number of frames.
    void set(const std::map<FrameId, FrameBalance>& balances, const QString& action);
    /// On screen only, until set(): for numbers that are being dragged.
    void preview(FrameId frame, const FrameBalance& balance);
    /// What is on screen only is let go.
    void dropPreviews();

signals:
    void changed(FrameId frame);  ///< its pixels may differ

private:
    Document& m_document;
    std::map<FrameId, FrameBalance> m_previews;
};

}  // namespace amber
