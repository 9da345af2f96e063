#include "core/analysis/look_sheet.h"

#include "core/base/number_text.h"
#include "core/display/view_transform.h"
#include "core/image/resize.h"
#include "core/look/scope.h"
#include "core/look/value_words.h"
#include "core/page/column.h"

namespace amber {
namespace {

/// "families" -> "family".
std::string oneOf(const std::string& name)
{
    const std::string words = spacedWords(name);
    if (words.size() > 3 && words.ends_with("ies"))
        return words.substr(0, words.size() - 3) + "y";
    return words.ends_with("s") ? words.substr(0, words.size() - 1) : words;
}

/// An entry of a list, under its own name when it has one.
std::string entryWords(const std::string& list, Json entry)
{
    const bool isNamed = entry.contains("name") && entry["name"].is_string();
    const std::string title = oneOf(list) + (isNamed ? " " + entry["name"].get<std::string>() : "");
    entry.erase("name");
    return title + ": " + wordsOfValue(entry);
}

bool isListOfThings(const Json& value) { return value.is_array() && !value.empty() && value.front().is_object(); }

/// What is not as in a fresh step of its kind.
void addValues(std::vector<std::string>& lines, const Json& values, const Json& fresh)
{
    std::string plain;
    for (const auto& [name, value] : values.items()) {
        if (fresh.contains(name) && fresh[name] == value)
            continue;
        if (!isListOfThings(value)) {
            plain += (plain.empty() ? "" : ", ") + spacedWords(name) + " " + wordsOfValue(value);
            continue;
        }
        for (const Json& entry : value) {
            // Of families only those that do something.
            const bool isStill = entry.contains("turn") && entry.value("turn", 0.0) == 0 &&
                                 entry.value("chroma", 1.0) == 1 && entry.value("lightness", 0.0) == 0;
            if (!isStill)
                lines.push_back(entryWords(name, entry));
        }
    }
    if (!plain.empty())
        lines.insert(lines.begin(), plain);
}

std::string guardWords(const Guard& guard)
{
    std::vector<std::string> parts;
    if (guard.limitsTone())
        parts.push_back("tones " + shortText(guard.toneLow) + " to " + shortText(guard.toneHigh));
    if (guard.limitsChroma())
        parts.push_back("chroma " + shortText(guard.chromaLow) + " to " + shortText(guard.chromaHigh));
    if (guard.limitsHue())
        parts.push_back("hues " + shortText(guard.hueWidth) + " wide round " + shortText(guard.hueCentre));
    if (guard.where.isBound())
        parts.push_back((guard.where.isOutside ? "outside of " : "inside ") + guard.where.role);
    std::string words;
    for (const std::string& part : parts)
        words += (words.empty() ? "" : ", ") + part;
    return words.empty() ? words : (guard.inverted ? "touches all but " : "touches ") + words;
}

std::string movedWords(const LookTrace& trace, int step)
{
    const StepState &from = trace.before(step), &to = trace.after(step);
    std::string words = "brightness " + signedText(to.meanL - from.meanL, 3) + ", contrast " +
                        signedText(to.contrast - from.contrast, 3) + ", chroma " +
                        signedText(to.meanChroma - from.meanChroma, 3);
    for (std::size_t k = 0; k < trace.keys.size(); ++k)
        if (const KeyMove move = trace.move(step, static_cast<int>(k)); move.deltaE >= 0.5)
            words += ", " + (trace.keys[k].name.empty() ? "a key colour" : trace.keys[k].name) + " " +
                     shortText(std::round(10 * move.deltaE) / 10) + " dE";
    return words;
}

void layPictures(Pages& pages, Column& column, const LookSheet& sheet)
{
    constexpr double kGap = 12;
    const double wide = (column.width() - kGap) / 2;
    for (const SheetPicture& picture : sheet.pictures) {
        const double high = wide * picture.before.height() / std::max(1, picture.before.width());
        column.need(high + 22);
        pages.picture(Column::kMargin, column.y(), wide, onPaper(picture.before.view()));
        pages.picture(Column::kMargin + wide + kGap, column.y(), wide, onPaper(picture.after.view()));
        column.skip(high + 3);
        const Pages::TextStyle quiet{8, false, false, 0.4};
        pages.text(Column::kMargin, column.y(), wide, picture.name, quiet);
        pages.text(Column::kMargin + wide + kGap, column.y(), wide, "with the look", quiet);
        column.skip(20);
    }
}

void layStep(Pages& pages, Column& column, const LookSheet& sheet, std::size_t i)
{
    const Pages::TextStyle strong{10.5, true}, plain{9.5}, reason{9.5, false, true, 0.25},
        quiet{8.5, false, false, 0.45};
    constexpr double kIndent = 18;
    const Step& step = sheet.look.steps[i];
    // Its title never stands alone at the end of a page.
    column.need(pages.textHeight("A", column.width(), strong) + 2 * pages.textHeight("A", column.width(), plain) + 12);
    column.text(numberedTitle(sheet.look, i), strong);
    if (!step.note.empty())
        column.text(step.note, reason, kIndent);
    for (const std::string& line : recipeOf(step))
        column.text(line, plain, kIndent);
    if (sheet.trace && !isIdentity(step))
        column.text(movedWords(*sheet.trace, static_cast<int>(i)), quiet, kIndent);
    column.skip(7);
}

std::string footOf(const LookSheet& sheet)
{
    return sheet.look.name + " · " + sheet.hash.substr(0, 12) + " · Jolly Amber";
}

}  // namespace

std::string numberedTitle(const Look& look, std::size_t i)
{
    const Step& step = look.steps[i];
    return std::to_string(i + 1) + "  " + amber::titleOf(step) + (step.enabled ? "" : " (off)") +
           (step.group.empty() ? "" : " · " + step.group);
}

PagePicture onPaper(ImageView image)
{
    PagePicture picture{image.width, image.height, {}};
    picture.pixels.resize(static_cast<std::size_t>(image.width) * static_cast<std::size_t>(image.height));
    ViewTransform::srgb()->apply(image, picture.pixels.data(), static_cast<std::size_t>(image.width));
    return picture;
}

std::vector<std::string> recipeOf(const Step& step)
{
    std::vector<std::string> lines;
    Step fresh;
    fresh.parameters = std::visit([]<class T>(const T&) { return StepParameters(T{}); }, step.parameters);
    if (const auto* unknown = std::get_if<UnknownStep>(&step.parameters))
        lines.push_back("made by a newer version: " + unknown->type);
    else
        addValues(lines, parametersOf(step), parametersOf(fresh));
    if (lines.empty())
        lines.push_back("as it is when it is added: nothing is changed");
    if (step.strength != 1)
        lines.push_back("strength " + shortText(step.strength));
    if (const std::string words = guardWords(step.guard); !words.empty())
        lines.push_back(words);
    for (const Shelter& shelter : step.guard.shelters)
        lines.push_back("held back from " + shelter.name + " by " + shortText(100 * shelter.amount) + " %");
    for (const std::string& part : heldParts(step))
        lines.push_back(spacedWords(part.substr(part.rfind('/') + 1)) + ": other values for " +
                        std::to_string(holdersOf(step, part).size()) + " pictures or sets");
    return lines;
}

Result<LookSheet> lookSheet(const Look& look, const std::vector<std::pair<std::string, Image>>& pictures)
{
    const auto plan = RenderPlan::compile(look);
    if (!plan)
        return tl::make_unexpected(plan.error());
    LookSheet sheet{look, plan->hash(), {}, {}};
    for (const auto& [name, picture] : pictures) {
        const Size size = fitted({picture.width(), picture.height()}, kSheetEdge);
        Image before = reduceByArea(picture.view(), size.width, size.height), after(size.width, size.height);
        const RenderOptions options{RenderOptions::Stage::All, std::max(picture.width(), picture.height())};
        render(*plan, before.view(), after.mutableView(), {}, options);
        if (!sheet.trace)
            sheet.trace = traceLook(look, before.view(), 0, automaticKeyColours(before.view(), 0), {}, options);
        sheet.pictures.push_back({name, std::move(before), std::move(after)});
    }
    return sheet;
}

std::string lookSheetText(const LookSheet& sheet)
{
    std::string all = sheet.look.name + "\n";
    if (!sheet.look.intent.empty())
        all += sheet.look.intent + "\n";
    for (std::size_t i = 0; i < sheet.look.steps.size(); ++i) {
        const Step& step = sheet.look.steps[i];
        (all += '\n') += numberedTitle(sheet.look, i) + "\n";
        if (!step.note.empty())
            all += "    " + step.note + "\n";
        for (const std::string& line : recipeOf(step))
            all += "    " + line + "\n";
        if (sheet.trace && !isIdentity(step))
            all += "    " + movedWords(*sheet.trace, static_cast<int>(i)) + "\n";
    }
    for (const Role& role : sheet.look.roles)
        all += "\nrole " + role.name + (role.purpose.empty() ? "" : ": " + role.purpose) + "\n";
    return all + "\n" + sheet.hash + "\n";
}

Result<std::string> lookSheetPdf(const LookSheet& sheet)
{
    Pages pages(sheet.look.name);
    Column column(pages, footOf(sheet));
    column.text(sheet.look.name, {20, true});
    if (!sheet.look.intent.empty())
        column.text(sheet.look.intent, {11, false, false, 0.25});
    column.skip(8);
    column.line();
    layPictures(pages, column, sheet);
    for (std::size_t i = 0; i < sheet.look.steps.size(); ++i)
        layStep(pages, column, sheet, i);
    if (!sheet.look.roles.empty()) {
        column.need(40);
        column.line();
        column.text("Roles: where steps work on each frame", {10.5, true});
        for (const Role& role : sheet.look.roles)
            column.text(role.name + (role.purpose.empty() ? "" : ": " + role.purpose), {9.5}, 18);
    }
    return pages.finish();
}

}  // namespace amber
