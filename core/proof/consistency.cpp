#include "core/proof/consistency.h"

#include "core/colour/difference.h"
#include "core/colour/oklab.h"
#include "core/colour/rgb_space.h"
#include "core/measure/tone.h"

#include <algorithm>
#include <array>
#include <charconv>
#include <cmath>
#include <map>

namespace amber {
namespace {

constexpr double kDoubt = 0.5;

double starOf(double L) { return toLab(toLinearRgb(OkLab{L, 0, 0})).l; }

double quantile(std::vector<double> values, double share)
{
    if (values.empty())
        return -1;
    std::sort(values.begin(), values.end());
    const double at = share * static_cast<double>(values.size() - 1);
    const auto i = static_cast<std::size_t>(at);
    return i + 1 < values.size() ? values[i] + (at - static_cast<double>(i)) * (values[i + 1] - values[i]) : values[i];
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
    const BalanceFit fit = fitBalance(from, to, {});
    const auto left = [&](const Balance& b) {
        return ciede2000(balanced(b, {}, *frame.balanced[column]), *lead.balanced[column]);
    };
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

}  // namespace

std::array<double, kToneColumns> toneColumns(ImageView picture)
{
    const ToneMeasures m = measureTone(picture, RgbSpace::Srgb);
    return {starOf(m.meanL), starOf(m.quantilesL[6]) - starOf(m.quantilesL[2])};
}

ConsistencyTable consistency(const std::vector<FrameReading>& readings, const std::vector<KeyColour>& keys)
{
    ConsistencyTable table;
    std::map<int, std::size_t> leads;
    for (std::size_t i = 0; i < readings.size(); ++i)
        if (readings[i].isLead)
            leads.emplace(readings[i].group, i);
    const std::size_t columns = keys.size() + kToneColumns;
    std::vector<std::vector<double>> after(columns), before(columns);
    long long measured = 0, within = 0, withinBefore = 0;
    for (const FrameReading& r : readings) {
        auto& row = table.rows.emplace_back(columns);
        const auto found = leads.find(r.group);
        if (found == leads.end())
            continue;
        const FrameReading& lead = readings[found->second];
        for (std::size_t k = 0; k < columns; ++k) {
            ConsistencyCell& cell = row[k];
            double tolerance = 0;
            if (k < keys.size()) {
                if (!r.finished[k] || !lead.finished[k])
                    continue;
                cell.before = ciede2000(*r.untouched[k], *lead.untouched[k]),
                cell.after = ciede2000(*r.finished[k], *lead.finished[k]);
                tolerance = keys[k].tolerance;
                if (keys[k].target)
                    cell.toTarget = ciede2000(toLab(*r.finished[k]), *keys[k].target);
            } else {
                const std::size_t t = k - keys.size();
                cell.before = std::abs(r.toneBefore[t] - lead.toneBefore[t]),
                cell.after = std::abs(r.toneAfter[t] - lead.toneAfter[t]);
                tolerance = kToneTolerance[t];
            }
            cell.isMeasured = true;
            cell.isWithin = cell.after <= tolerance;
            // What may be another thing tells nothing about consistency.
            if (r.isLead || (k < keys.size() && std::max(r.doubt[k], lead.doubt[k]) > kDoubt))
                continue;
            after[k].push_back(cell.after), before[k].push_back(cell.before);
            if (k < keys.size())
                ++measured, within += cell.isWithin, withinBefore += cell.before <= tolerance;
        }
    }
    if (measured > 0)
        table.within = static_cast<double>(within) / static_cast<double>(measured),
        table.withinBefore = static_cast<double>(withinBefore) / static_cast<double>(measured);
    std::vector<double> all, allBefore;
    for (std::size_t k = 0; k < keys.size(); ++k) {
        table.spread.push_back(quantile(after[k], 0.95)), table.spreadBefore.push_back(quantile(before[k], 0.95));
        all.insert(all.end(), after[k].begin(), after[k].end()),
            allBefore.insert(allBefore.end(), before[k].begin(), before[k].end());
    }
    table.allSpread = std::max(0.0, quantile(all, 0.95)),
    table.allSpreadBefore = std::max(0.0, quantile(allBefore, 0.95));

    std::vector<double> limits(columns);
    for (std::size_t k = 0; k < columns; ++k) {
        const double median = std::max(0.0, quantile(after[k], 0.5));
        std::vector<double> deviations;
        for (double v : after[k])
            deviations.push_back(std::abs(v - median));
        limits[k] = median + 3 * 1.4826 * std::max(0.0, quantile(deviations, 0.5));
    }
    for (std::size_t i = 0; i < readings.size(); ++i)
        for (std::size_t k = 0; k < columns; ++k) {
            ConsistencyCell& cell = table.rows[i][k];
            // Frames of one light need not be equally light or contrasty: that depends on what they show. Such cells
            // are marked, no more.
            if (!cell.isMeasured || cell.isWithin || readings[i].isLead || cell.after <= limits[k] || k >= keys.size())
                continue;
            cell.isOutlier = true;
            Outlier outlier;
            outlier.frame = readings[i].frame, outlier.column = k, outlier.difference = cell.after;
            outlier.tolerance = k < keys.size() ? keys[k].tolerance : kToneTolerance[k - keys.size()];
            explain(outlier, readings[i], readings[leads.at(readings[i].group)], table.rows[i], keys);
            table.outliers.push_back(outlier);
        }
    std::stable_sort(table.outliers.begin(), table.outliers.end(), [](const Outlier& p, const Outlier& q) {
        return p.difference / p.tolerance > q.difference / q.tolerance;
    });
    return table;
}

std::string consistencyCsv(const ConsistencyTable& table, const std::vector<KeyColour>& keys,
                           const std::vector<std::string>& frames)
{
    const auto quoted = [](const std::string& words) {
        std::string out = "\"";
        for (char c : words)
            out += c == '"' ? std::string("\"\"") : std::string(1, c);
        return out + "\"";
    };
    std::string csv = "frame";
    std::vector<std::string> names;
    for (const KeyColour& key : keys)
        names.push_back(key.name);
    for (const std::string& name : names)
        csv += "," + quoted(name + ", before, dE00 to lead") + "," + quoted(name + ", after, dE00 to lead") + "," +
               quoted(name + ", dE00 to target");
    csv += ",\"brightness, after, L* to lead\",\"contrast, after, L* to lead\"\n";
    const auto number = [](double v) {
        std::array<char, 32> text{};
        const auto end = std::to_chars(text.data(), text.data() + text.size(), v, std::chars_format::fixed, 2).ptr;
        return std::string(text.data(), end);
    };
    for (std::size_t i = 0; i < table.rows.size() && i < frames.size(); ++i) {
        csv += quoted(frames[i]);
        for (std::size_t k = 0; k < table.rows[i].size(); ++k) {
            const ConsistencyCell& cell = table.rows[i][k];
            if (k < keys.size())
                csv += "," + (cell.isMeasured ? number(cell.before) : "") + "," +
                       (cell.isMeasured ? number(cell.after) : "") + "," +
                       (cell.toTarget ? number(*cell.toTarget) : "");
            else
                csv += "," + (cell.isMeasured ? number(cell.after) : "");
        }
        csv += "\n";
    }
    return csv;
}

}  // namespace amber
