#include "core/proof/consistency.h"

#include "core/base/csv_text.h"
#include "core/base/number_text.h"
#include "core/base/statistics.h"
#include "core/colour/difference.h"
#include "core/colour/oklab.h"
#include "core/colour/rgb_space.h"
#include "core/measure/tone.h"

#include <algorithm>
#include <array>
#include <cmath>
#include <map>

namespace amber {
namespace {

constexpr double kDoubt = 0.5;

/// -1 when there is nothing.
double quantileOrNone(std::vector<double> values, double share)
{
    return values.empty() ? -1 : quantile(values, share);
}

/// The cause and the cure of one key colour that is off, from all key colours of the frame against the lead's.
void fitCure(Outlier& outlier, const std::vector<LinearRgb>& from, const std::vector<LinearRgb>& to,
             const LinearRgb& colour, const LinearRgb& wanted)
{
    const BalanceFit fit = fitBalance(from, to, {});
    const auto left = [&](const Balance& b) { return ciede2000(balanced(b, {}, colour), wanted); };
    const Balance exposure{fit.balance.exposureStops, Balance{}.kelvin, 0},
        white{0, fit.balance.kelvin, fit.balance.tint};
    const double none = left({}), byExposure = left(exposure), byWhite = left(white), byBoth = left(fit.balance);
    // A whole frame is off when most of its key colours say so: one alone is moved by what happened to it.
    std::size_t helped = 0;
    for (std::size_t i = 0; i < from.size(); ++i)
        helped += ciede2000(balanced(fit.balance, {}, from[i]), to[i]) < 0.6 * ciede2000(from[i], to[i]);
    if (std::min({byExposure, byWhite, byBoth}) > 0.5 * none ||
        helped < std::max<std::size_t>(2, (2 * from.size() + 2) / 3)) {
        outlier.cause = Outlier::Cause::ThisThingOnly;
        return;
    }
    outlier.cause = byExposure <= byWhite ? Outlier::Cause::Exposure : Outlier::Cause::White;
    const double single = std::min(byExposure, byWhite);
    outlier.cure = byBoth < 0.6 * single ? fit.balance : outlier.cause == Outlier::Cause::Exposure ? exposure : white;
    outlier.afterCure = std::min(single, byBoth < 0.6 * single ? byBoth : single);
}

/// The cause of one cell by what a fit over the whole frame can do about it.
void explain(Outlier& outlier, const FrameReading& frame, const FrameReading& lead,
             const std::vector<ConsistencyCell>& row, const std::vector<KeyColour>& keys)
{
    std::vector<LinearRgb> from, to;
    for (std::size_t k = 0; k < keys.size(); ++k)
        if (row[k].isMeasured && frame.doubt[k] <= kDoubt)
            from.push_back(*frame.balanced[k]), to.push_back(*lead.balanced[k]);
    const std::size_t column = outlier.column;
    if (frame.doubt[column] > kDoubt) {
        outlier.cause = Outlier::Cause::Doubtful;
        return;
    }
    const LinearRgb own = apply(fromWorking(RgbSpace::Srgb), *frame.untouched[column]);
    if (std::max({own.r, own.g, own.b}) > 0.97) {
        outlier.cause = Outlier::Cause::Clipped;
        return;
    }
    if (from.size() < 2) {
        outlier.cause = Outlier::Cause::ThisThingOnly;
        return;
    }
    fitCure(outlier, from, to, *frame.balanced[column], *lead.balanced[column]);
}

std::map<int, std::size_t> leadsOf(const std::vector<FrameReading>& readings)
{
    std::map<int, std::size_t> leads;
    for (std::size_t i = 0; i < readings.size(); ++i)
        if (readings[i].isLead)
            leads.emplace(readings[i].group, i);
    return leads;
}

double toleranceOf(const std::vector<KeyColour>& keys, std::size_t column)
{
    return column < keys.size() ? keys[column].tolerance : kToneTolerance[column - keys.size()];
}

ConsistencyCell measuredCell(const FrameReading& r, const FrameReading& lead, const std::vector<KeyColour>& keys,
                             std::size_t column)
{
    ConsistencyCell cell;
    if (column < keys.size()) {
        if (!r.finished[column] || !lead.finished[column])
            return cell;
        cell.before = ciede2000(*r.untouched[column], *lead.untouched[column]);
        cell.after = ciede2000(*r.finished[column], *lead.finished[column]);
        if (keys[column].target)
            cell.toTarget = ciede2000(toLab(*r.finished[column]), *keys[column].target);
    } else {
        const std::size_t t = column - keys.size();
        cell.before = std::abs(r.toneBefore[t] - lead.toneBefore[t]);
        cell.after = std::abs(r.toneAfter[t] - lead.toneAfter[t]);
    }
    cell.isMeasured = true;
    cell.isWithin = cell.after <= toleranceOf(keys, column);
    return cell;
}

/// What was measured, column by column, without the leads themselves and without what may be another thing: that tells
/// nothing about consistency.
struct Columns {
    explicit Columns(std::size_t count) : after(count), before(count) {}
    void add(const FrameReading& r, const FrameReading& lead, const std::vector<KeyColour>& keys,
             const std::vector<ConsistencyCell>& row)
    {
        for (std::size_t k = 0; k < row.size() && !r.isLead; ++k) {
            const bool isKey = k < keys.size();
            if (!row[k].isMeasured || (isKey && std::max(r.doubt[k], lead.doubt[k]) > kDoubt))
                continue;
            after[k].push_back(row[k].after), before[k].push_back(row[k].before);
            if (isKey)
                ++measured, within += row[k].isWithin, withinBefore += row[k].before <= toleranceOf(keys, k);
        }
    }
    void summarise(ConsistencyTable& table, std::size_t keys) const
    {
        if (measured > 0)
            table.within = static_cast<double>(within) / static_cast<double>(measured),
            table.withinBefore = static_cast<double>(withinBefore) / static_cast<double>(measured);
        std::vector<double> all, allBefore;
        for (std::size_t k = 0; k < keys; ++k) {
            table.spread.push_back(quantileOrNone(after[k], 0.95));
            table.spreadBefore.push_back(quantileOrNone(before[k], 0.95));
            all.insert(all.end(), after[k].begin(), after[k].end());
            allBefore.insert(allBefore.end(), before[k].begin(), before[k].end());
        }
        table.allSpread = std::max(0.0, quantileOrNone(all, 0.95));
        table.allSpreadBefore = std::max(0.0, quantileOrNone(allBefore, 0.95));
    }

    std::vector<std::vector<double>> after, before;
    long long measured = 0, within = 0, withinBefore = 0;
};

/// Past this a cell of a column is an outlier: three deviations (by the median of deviations) above the median.
double limitOf(const std::vector<double>& column)
{
    const double middle = std::max(0.0, quantileOrNone(column, 0.5));
    std::vector<double> deviations;
    for (const double v : column)
        deviations.push_back(std::abs(v - middle));
    return middle + 3 * 1.4826 * std::max(0.0, quantileOrNone(deviations, 0.5));
}

}  // namespace

std::array<double, kToneColumns> toneColumns(ImageView picture)
{
    const ToneMeasures m = measureTone(picture, RgbSpace::Srgb);
    return {lightnessStar(m.meanL), lightnessStar(m.quantilesL[6]) - lightnessStar(m.quantilesL[2])};
}

ConsistencyTable consistency(const std::vector<FrameReading>& readings, const std::vector<KeyColour>& keys)
{
    ConsistencyTable table;
    const auto leads = leadsOf(readings);
    const std::size_t columns = keys.size() + kToneColumns;
    Columns all(columns);
    for (const FrameReading& r : readings) {
        auto& row = table.rows.emplace_back(columns);
        const auto found = leads.find(r.group);
        if (found == leads.end())
            continue;
        for (std::size_t k = 0; k < columns; ++k)
            row[k] = measuredCell(r, readings[found->second], keys, k);
        all.add(r, readings[found->second], keys, row);
    }
    all.summarise(table, keys.size());
    for (std::size_t k = 0; k < keys.size(); ++k) {
        const double limit = limitOf(all.after[k]);
        for (std::size_t i = 0; i < readings.size(); ++i) {
            ConsistencyCell& cell = table.rows[i][k];
            // Frames of one light need not be equally light or contrasty: that depends on what they show. Such cells
            // are marked, no more.
            if (!cell.isMeasured || cell.isWithin || readings[i].isLead || cell.after <= limit)
                continue;
            cell.isOutlier = true;
            Outlier outlier;
            outlier.frame = readings[i].frame, outlier.column = k, outlier.difference = cell.after;
            outlier.tolerance = keys[k].tolerance;
            explain(outlier, readings[i], readings[leads.at(readings[i].group)], table.rows[i], keys);
            table.outliers.push_back(outlier);
        }
    }
    std::stable_sort(table.outliers.begin(), table.outliers.end(), [](const Outlier& p, const Outlier& q) {
        return p.difference / p.tolerance > q.difference / q.tolerance;
    });
    return table;
}

std::string consistencyCsv(const ConsistencyTable& table, const std::vector<KeyColour>& keys,
                           const std::vector<std::string>& frames)
{
    std::string csv = "frame";
    std::vector<std::string> names;
    for (const KeyColour& key : keys)
        names.push_back(key.name);
    for (const std::string& name : names)
        (csv += ',') += csvField(name + ", before, dE00 to lead") + "," + csvField(name + ", after, dE00 to lead") +
                        "," + csvField(name + ", dE00 to target");
    csv += ",\"brightness, after, L* to lead\",\"contrast, after, L* to lead\"\n";
    const auto number = [](double v) { return fixedText(v, 2); };
    for (std::size_t i = 0; i < table.rows.size() && i < frames.size(); ++i) {
        csv += csvField(frames[i]);
        for (std::size_t k = 0; k < table.rows[i].size(); ++k) {
            const ConsistencyCell& cell = table.rows[i][k];
            if (k < keys.size())
                (csv += ',') += (cell.isMeasured ? number(cell.before) : "") + "," +
                                (cell.isMeasured ? number(cell.after) : "") + "," +
                                (cell.toTarget ? number(*cell.toTarget) : "");
            else
                (csv += ',') += cell.isMeasured ? number(cell.after) : "";
        }
        csv += "\n";
    }
    return csv;
}

}  // namespace amber
