#include "core/engine/bake.h"

#include "core/base/number_text.h"
#include "core/base/phrase.h"
#include "core/colour/gamut.h"
#include "core/table/cdl_fit.h"

#include <algorithm>

namespace amber {
namespace {

/// The look's output, encoded, for encoded inputs; `count` pixels in one row.
Result<std::vector<EncodedRgb>> run(const Look& look, RgbSpace space, const std::vector<EncodedRgb>& inputs)
{
    const auto plan = RenderPlan::compile(pointwisePart(look));
    if (!plan)
        return tl::make_unexpected(plan.error());
    Image image(static_cast<int>(inputs.size()), 1);
    float* p = image.mutableView().data;
    for (const EncodedRgb& in : inputs) {
        const LinearRgb c = decode(space, in);
        *p++ = static_cast<float>(c.r), *p++ = static_cast<float>(c.g), *p++ = static_cast<float>(c.b);
    }
    render(*plan, image.view(), image.mutableView());
    std::vector<EncodedRgb> outputs;
    outputs.reserve(inputs.size());
    p = image.mutableView().data;
    for (std::size_t i = 0; i < inputs.size(); ++i, p += 3) {
        const LinearRgb own = reduceToGamut(space, apply(fromWorking(space), {p[0], p[1], p[2]}));
        outputs.push_back(
            {encodeComponent(space, own.r), encodeComponent(space, own.g), encodeComponent(space, own.b)});
    }
    return outputs;
}

/// All colours of a lattice, red fastest.
std::vector<EncodedRgb> latticeOf(int size)
{
    std::vector<EncodedRgb> inputs;
    const double top = size - 1;
    for (int b = 0; b < size; ++b)
        for (int g = 0; g < size; ++g)
            for (int r = 0; r < size; ++r)
                inputs.push_back({r / top, g / top, b / top});
    return inputs;
}

std::vector<EncodedRgb> encodedInside(RgbSpace space, const std::vector<LinearRgb>& colours)
{
    std::vector<EncodedRgb> encoded;
    for (const LinearRgb& c : colours) {
        const LinearRgb inside = reduceToGamut(space, apply(fromWorking(space), c));
        encoded.push_back(
            {encodeComponent(space, inside.r), encodeComponent(space, inside.g), encodeComponent(space, inside.b)});
    }
    return encoded;
}

/// A look's name as a table can carry it.
std::string titleFor(const Look& look)
{
    std::string title = look.name;
    std::erase_if(title, [](char c) { return c == '"' || static_cast<unsigned char>(c) < 32; });
    return title;
}

Result<DifferenceSummary> differenceOver(const Look& look, const Table& table, RgbSpace space,
                                         const std::vector<EncodedRgb>& inputs)
{
    const auto exact = run(look, space, inputs);
    if (!exact)
        return tl::make_unexpected(exact.error());
    std::vector<double> differences;
    for (std::size_t i = 0; i < inputs.size(); ++i)
        differences.push_back(ciede2000(decode(space, (*exact)[i]), decode(space, evaluate(table, inputs[i]))));
    return summarise(std::move(differences));
}

}  // namespace

Look pointwisePart(const Look& look)
{
    Look part = look;
    std::erase_if(part.steps, [](const Step& step) { return isSpatial(step); });
    return part;
}

Result<Table> bakeCdl(const Look& look, RgbSpace space, const std::vector<LinearRgb>& own)
{
    auto inputs = own.empty() ? latticeOf(13) : encodedInside(space, own);
    if (own.empty())
        for (EncodedRgb& c : inputs) {
            const double grey = (c.r + c.g + c.b) / 3;
            c = {(c.r + grey) / 2, (c.g + grey) / 2, (c.b + grey) / 2};
        }
    // Some thousand colours say as much as all of them.
    constexpr std::size_t kEnough = 4000;
    for (std::size_t i = 0, every = (inputs.size() + kEnough - 1) / kEnough; every > 1 && i * every < inputs.size();
         ++i)
        inputs[i] = inputs[i * every];
    inputs.resize(std::min(inputs.size(), inputs.size() / ((inputs.size() + kEnough - 1) / kEnough)));
    const auto outputs = run(look, space, inputs);
    if (!outputs)
        return tl::make_unexpected(outputs.error());
    Table table;
    table.title = titleFor(look);
    table.cdl = fitCdl(inputs, *outputs);
    return table;
}

Result<Table> bake(const Look& look, int size, RgbSpace space)
{
    if (size < 2 || size > kTable3Limit)
        return fail("table size outside the limits", {}, phrase("%1 to %2", {"2", std::to_string(kTable3Limit)}),
                    std::to_string(size));
    const auto inputs = latticeOf(size);
    const auto outputs = run(look, space, inputs);
    if (!outputs)
        return tl::make_unexpected(outputs.error());
    Table table;
    table.title = titleFor(look);
    table.size3 = size;
    for (const EncodedRgb& c : *outputs)
        table.values3.insert(table.values3.end(),
                             {static_cast<float>(c.r), static_cast<float>(c.g), static_cast<float>(c.b)});
    return table;
}

Result<TravelReport> travelReport(const Look& look, const Table& table, RgbSpace space,
                                  const std::vector<LinearRgb>& own)
{
    // Inside the cells of this table, away from its samples, where interpolation errs most; up to 32 cells along each
    // edge, the darkest among them.
    const int cells = table.size3 > 0 ? table.size3 - 1 : 32, edge = std::min(32, cells);
    const auto inCell = [&](int i, double part) { return (i * cells / edge + part) / cells; };
    const std::vector<EncodedRgb> colours = encodedInside(space, own);
    std::vector<EncodedRgb> inputs;
    for (int i = 0; i < edge * edge * edge; ++i)
        inputs.push_back({inCell(i % edge, 0.5), inCell(i / edge % edge, 0.35), inCell(i / edge / edge, 0.6)});
    TravelReport report;
    for (const Step& step : look.steps)
        if (std::holds_alternative<UnknownStep>(step.parameters) || (isSpatial(step) && !isIdentity(step)))
            report.left.push_back(titleOf(step) +
                                  (step.guard.where.isBound() ? " (bound to " + step.guard.where.role + ")" : ""));
        else if (!isIdentity(step))
            report.carried.push_back(titleOf(step));
    const auto lattice = differenceOver(look, table, space, inputs),
               shoot = differenceOver(look, table, space, colours.empty() ? inputs : colours);
    if (!lattice || !shoot)
        return tl::make_unexpected(!lattice ? lattice.error() : shoot.error());
    report.lattice = *lattice, report.own = *shoot, report.ownCount = colours.size();
    return report;
}

Result<TravelReport> writeLookTable(const Look& look, const std::filesystem::path& file, TableFormat format, int edge,
                                    RgbSpace space, const std::vector<LinearRgb>& own)
{
    const auto table = format == TableFormat::Cdl ? bakeCdl(look, space, own) : bake(look, edge, space);
    if (!table)
        return tl::make_unexpected(table.error());
    const auto travel = travelReport(look, *table, space, own);
    if (!travel)
        return travel;
    if (const Status written = writeTableFile(file, *table, format); !written)
        return tl::make_unexpected(written.error());
    return travel;
}

std::string describe(const TravelReport& report)
{
    const auto list = [](const std::vector<std::string>& all) {
        std::string text;
        for (const std::string& one : all)
            text += (text.empty() ? "" : ", ") + one;
        return text.empty() ? std::string("nothing") : text;
    };
    const auto numbers = [](const DifferenceSummary& d) {
        return "mean " + fixedText(d.mean, 3) + ", 95 % " + fixedText(d.percentile95, 3) + ", maximum " +
               fixedText(d.maximum, 3);
    };
    std::string text = "carries: " + list(report.carried) + "\nleaves out: " + list(report.left) + "\n";
    text += "difference from the exact look (CIEDE2000), whole lattice: " + numbers(report.lattice) + "\n";
    if (report.ownCount > 0)
        text += "the shoot's own colours (" + std::to_string(report.ownCount) + "): " + numbers(report.own) + "\n";
    return text;
}

}  // namespace amber
