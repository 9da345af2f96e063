// What is being matched to: pictures, a frame of the job, a pair, or a table; and what was worked out of it off the
// interface thread.
#pragma once

#include "core/balance/group_balance.h"
#include "core/job/job.h"
#include "core/match/ladder.h"
#include "core/match/pair_fit.h"

#include <QString>
#include <QStringList>
#include <memory>

namespace amber {

struct Held {
    using Kind = HeldReference::Kind;
    Kind kind = Kind::Nothing;
    QStringList paths;       ///< of the pictures, of before and after of each pair, or of the table
    std::int64_t frame = 0;  ///< of Kind::Frame
    bool withTable = false;  ///< fits: with a small table for the rest

    Fingerprint print;                     ///< of pictures or frame
    std::shared_ptr<const Image> picture;  ///< the (first) reference, the (first) picture after, or nothing
    std::shared_ptr<const Image> before;   ///< of the (first) pair
    Features features;                     ///< of `picture`
    PairFit fit;                           ///< of a pair or a table
    Table table;
    bool isFit() const { return kind == Kind::Pair || kind == Kind::Table; }
    /// A short name: that of the group its steps will have.
    QString name() const;
};

inline constexpr int kHeldEdge = 1500;

/// Reads what `wanted` names (pictures, pair, table) and fits it where there is something to fit.
Result<Held> readHeld(const Held& wanted, const std::function<void(int, int)>& progress, const CancelToken& cancel);
/// A frame of the job as reference: its picture as it stands, finished.
Held heldFrame(std::int64_t frame, const QString& name, Image finished);

}  // namespace amber
