#include "core/practice/drill.h"

#include "core/base/number_text.h"
#include "core/colour/difference.h"
#include "core/colour/oklab.h"
#include "core/look/steps/hue_shifts/hue_shifts.h"
#include "core/measure/picture_difference.h"
#include "core/practice/moves.h"

#include <algorithm>
#include <cmath>
#include <random>

namespace amber {
namespace {

using Random = std::mt19937_64;

int whole(Random& random, int count) { return static_cast<int>(random() % static_cast<std::uint64_t>(count)); }

double fraction(Random& random) { return static_cast<double>(random() >> 11) / static_cast<double>(1ULL << 53); }

const PracticePicture& anyOf(const std::vector<PracticePicture>& pictures, Random& random)
{
    return pictures[static_cast<std::size_t>(whole(random, static_cast<int>(pictures.size())))];
}

/// Where a family owns a colour, and by how much more than the next one.
struct Owned {
    std::size_t picture = 0;
    Spot place;
    int family = 0;
    double margin = 0;
};

OkLab meanRound(ImageView image, int x, int y)
{
    OkLab sum{0, 0, 0};
    for (int dy = -2; dy <= 2; ++dy)
        for (int dx = -2; dx <= 2; ++dx) {
            const float* p = image.row(y + dy) + 3 * (x + dx);
            const OkLab c = toOkLab(LinearRgb{p[0], p[1], p[2]});
            sum.L += c.L / 25, sum.a += c.a / 25, sum.b += c.b / 25;
        }
    return sum;
}

/// Whether a mark there lies on one colour: its neighbourhood does not vary.
bool isEven(ImageView image, int x, int y, const OkLab& mean)
{
    for (int dy = -2; dy <= 2; dy += 2)
        for (int dx = -2; dx <= 2; dx += 2) {
            const float* p = image.row(y + dy) + 3 * (x + dx);
            const OkLab c = toOkLab(LinearRgb{p[0], p[1], p[2]});
            if (std::hypot(c.L - mean.L, c.a - mean.a, c.b - mean.b) > 0.02)
                return false;
        }
    return true;
}

std::vector<Owned> ownedColours(const std::vector<PracticePicture>& pictures, Random& random)
{
    constexpr int kTries = 1500;
    constexpr double kColoured = 0.05;
    const HueShifts families;
    std::vector<Owned> all;
    for (int i = 0; i < kTries; ++i) {
        const auto which = static_cast<std::size_t>(whole(random, static_cast<int>(pictures.size())));
        const ImageView image = pictures[which].image.view();
        if (image.width < 8 || image.height < 8)
            continue;
        const int x = 3 + whole(random, image.width - 6), y = 3 + whole(random, image.height - 6);
        const OkLab c = meanRound(image, x, y);
        if (toOkLch(c).chroma < kColoured || !isEven(image, x, y, c))
            continue;
        std::vector<double> weights = weightsAt(families, c);
        weights.resize(families.families.size());
        const auto most = std::max_element(weights.begin(), weights.end());
        const double first = *most;
        Owned owned{
            which, {(x + 0.5) / image.width, (y + 0.5) / image.height}, static_cast<int>(most - weights.begin()), 0};
        *most = 0;
        owned.margin = first > 0 ? 1 - *std::max_element(weights.begin(), weights.end()) / first : 0;
        all.push_back(owned);
    }
    return all;
}

Result<DrillRound> familyRound(const std::vector<PracticePicture>& pictures, double level, Random& random)
{
    std::vector<Owned> owned = ownedColours(pictures, random);
    if (owned.empty())
        return fail("no picture has colours enough", {}, "pictures with colours", "none");
    // A family first, so that leaf does not own every round; then, of its colours, one about as clear as asked for.
    std::vector<int> families;
    for (const Owned& o : owned)
        if (std::find(families.begin(), families.end(), o.family) == families.end())
            families.push_back(o.family);
    std::sort(families.begin(), families.end());
    const int family = families[static_cast<std::size_t>(whole(random, static_cast<int>(families.size())))];
    std::erase_if(owned, [&](const Owned& o) { return o.family != family; });
    const auto off = [&](const Owned& o) { return std::abs(std::log(std::max(o.margin, 0.01)) - std::log(level)); };
    std::sort(owned.begin(), owned.end(), [&](const Owned& a, const Owned& b) { return off(a) < off(b); });
    const Owned& chosen =
        owned[static_cast<std::size_t>(whole(random, std::max(1, static_cast<int>(owned.size()) / 12)))];
    DrillRound round;
    round.level = std::max(chosen.margin, 0.01);
    round.picture = pictures[chosen.picture].name;
    round.shown = {pictures[chosen.picture].image};
    round.mark = chosen.place;
    for (const HueFamily& f : HueShifts::defaultFamilies())
        round.options.push_back(f.name);
    round.right = chosen.family;
    round.key = round.picture + " " + fixedText(chosen.place.x, 3) + " " + fixedText(chosen.place.y, 3);
    return round;
}

DrillRound castRound(const std::vector<PracticePicture>& pictures, double level, Random& random)
{
    const PracticePicture& picture = anyOf(pictures, random);
    DrillRound round;
    round.level = level, round.picture = picture.name;
    for (const Move move : kCastMoves)
        round.options.push_back(wordOf(move));
    round.right = whole(random, static_cast<int>(kCastMoves.size()));
    round.shown = {picture.image, movedBy(picture.image, kCastMoves[static_cast<std::size_t>(round.right)], level)};
    round.rightAmount = whole(random, 3);
    for (int i = 0; i < 3; ++i)
        round.amounts.push_back("about ΔE00 " + shortText(level * std::pow(2, i - round.rightAmount), 1));
    round.key = picture.name + " " + round.options[static_cast<std::size_t>(round.right)] + " " + fixedText(level, 2);
    return round;
}

DrillRound oddRound(const std::vector<PracticePicture>& pictures, double level, Random& random)
{
    constexpr int kPictures = 9;
    const PracticePicture& picture = anyOf(pictures, random);
    const Move move = kEveryMove[static_cast<std::size_t>(whole(random, static_cast<int>(kEveryMove.size())))];
    DrillRound round;
    round.level = level, round.picture = picture.name;
    round.right = whole(random, kPictures);
    const Image odd = movedBy(picture.image, move, level);
    for (int i = 0; i < kPictures; ++i) {
        round.shown.push_back(i == round.right ? odd : picture.image);
        round.options.push_back(std::to_string(i + 1));
    }
    round.moved = wordOf(move);
    round.key = picture.name + " " + round.moved + " " + std::to_string(round.right) + " " + fixedText(level, 2);
    return round;
}

std::string stopsWords(double stops)
{
    return stops == 0 ? std::string("the same") : signedText(stops, 2) + (std::abs(stops) == 1 ? " stop" : " stops");
}

DrillRound stopsRound(const std::vector<PracticePicture>& pictures, double level, Random& random)
{
    constexpr int kSide = 2;
    const PracticePicture& picture = anyOf(pictures, random);
    DrillRound round;
    round.level = level, round.picture = picture.name;
    round.right = whole(random, 2 * kSide + 1);
    for (int i = -kSide; i <= kSide; ++i)
        round.options.push_back(stopsWords(i * level));
    // Room above, so that what is lighter does not only clip.
    const double below = -level * kSide / 2;
    round.shown = {exposed(picture.image, below), exposed(picture.image, below + (round.right - kSide) * level)};
    round.key = picture.name + " " + std::to_string(round.right) + " " + fixedText(level, 3);
    return round;
}

DrillRound matchRound(const std::vector<PracticePicture>& pictures, double level, Random& random)
{
    const PracticePicture& picture = anyOf(pictures, random);
    DrillRound round;
    round.level = level, round.picture = picture.name;
    round.base = picture.image;
    round.moved = kMovedAxes[static_cast<std::size_t>(whole(random, static_cast<int>(kMovedAxes.size())))];
    const double size = 0.25 + 0.65 * fraction(random);
    round.target = whole(random, 2) == 0 ? size : -size;
    round.shown = {movedTo(round, round.target), picture.image};
    round.key = picture.name + " " + round.moved + " " + fixedText(round.target, 2);
    return round;
}

std::string optionOf(const std::vector<std::string>& options, int which)
{
    return which >= 0 && which < static_cast<int>(options.size()) ? options[static_cast<std::size_t>(which)]
                                                                  : std::string("no answer");
}

}  // namespace

DrillRange rangeOf(Drill drill)
{
    switch (drill) {
    case Drill::Family:
        return {0.6, 0.02, 0.97, 1.0 / 7, "ahead of the next family"};
    case Drill::Cast:
        return {4, 0.4, 14, 1.0 / kCastMoves.size(), "ΔE00"};
    case Drill::Match:
        return {3, 0.25, 12, 0.02, "ΔE00 left"};
    case Drill::Odd:
        return {5, 0.4, 16, 1.0 / 9, "ΔE00"};
    case Drill::Stops:
        return {0.6, 0.04, 1.2, 1.0 / 5, "stops from answer to answer"};
    }
    return {1, 0.1, 10, 0.5, ""};
}

Result<DrillRound> makeRound(Drill drill, const std::vector<PracticePicture>& pictures, double level,
                             std::uint64_t seed)
{
    if (pictures.empty())
        return fail("there is no picture to practise on", {}, "a picture", "none");
    Random random(seed);
    const DrillRange range = rangeOf(drill);
    level = std::clamp(level, range.least, range.most);
    Result<DrillRound> round = drill == Drill::Family  ? familyRound(pictures, level, random)
                               : drill == Drill::Cast  ? castRound(pictures, level, random)
                               : drill == Drill::Match ? matchRound(pictures, level, random)
                               : drill == Drill::Odd   ? oddRound(pictures, level, random)
                                                       : stopsRound(pictures, level, random);
    if (round)
        round->drill = drill;
    return round;
}

Image movedTo(const DrillRound& round, double value) { return movedAlong(round.base, round.moved, value); }

Verdict judge(const DrillRound& round, const Given& given)
{
    Verdict verdict;
    if (round.drill == Drill::Match) {
        const auto left = pictureDifference(movedTo(round, given.value).view(), round.shown.front().view());
        verdict.deltaE = left ? left->mean : 0;
        verdict.isRight = verdict.deltaE <= round.level;
        verdict.right = round.moved + " " + signedText(100 * round.target, 0);
        verdict.said = round.moved + " " + signedText(100 * given.value, 0);
        return verdict;
    }
    verdict.isRight = given.option == round.right;
    verdict.isAmountRight = !round.amounts.empty() && given.amount == round.rightAmount;
    verdict.right = optionOf(round.options, round.right), verdict.said = optionOf(round.options, given.option);
    return verdict;
}

std::string explained(const DrillRound& round)
{
    const std::string right = optionOf(round.options, round.right);
    switch (round.drill) {
    case Drill::Family:
        return right + ", " + fixedText(100 * round.level, 0) + " % ahead of the next family";
    case Drill::Cast:
        return right + ", by ΔE00 " + fixedText(round.level, 1);
    case Drill::Odd:
        return "picture " + right + " was " + round.moved + ", by ΔE00 " + fixedText(round.level, 1);
    case Drill::Stops:
        return right;
    case Drill::Match:
        return round.moved + " " + signedText(100 * round.target, 0) + ", within ΔE00 " + fixedText(round.level, 2);
    }
    return right;
}

}  // namespace amber
