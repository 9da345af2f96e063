#include "core/retouch/recognise.h"

#include "core/base/long_call.h"
#include "core/base/number_text.h"
#include "core/image/read.h"
#include "core/retouch/grey_print.h"
#include "core/retouch/send.h"

#include <algorithm>

namespace amber {
namespace {

constexpr double kWithIdentity = 0.5;  // an identity is believed unless the picture is plainly another
constexpr double kWithName = 0.75, kByContent = 0.9, kClearly = 0.04;
constexpr double kSameCodes = 0.02;  // share of equal pixels that two different pictures do not have

std::string lower(std::string s)
{
    std::transform(s.begin(), s.end(), s.begin(), [](unsigned char c) { return static_cast<char>(std::tolower(c)); });
    return s;
}

/// How much of a sent file's name a name still has: the length of the stem when it is in it, not within a longer
/// number.
std::size_t nameLeft(const std::string& name, const std::string& sent)
{
    const std::string whole = lower(std::filesystem::path(name).stem().string()),
                      stem = lower(std::filesystem::path(sent).stem().string());
    const auto at = stem.empty() ? std::string::npos : whole.find(stem);
    if (at == std::string::npos)
        return 0;
    const auto isDigit = [](char c) { return c >= '0' && c <= '9'; };
    const std::size_t end = at + stem.size();
    if (end < whole.size() && isDigit(whole[end]) && isDigit(stem.back()))
        return 0;
    if (at > 0 && isDigit(whole[at - 1]) && isDigit(stem.front()))
        return 0;
    return stem.size();
}

struct Asked {
    const std::filesystem::path& file;
    const std::vector<SentFile>& sent;
    std::vector<double> likeness;

    std::size_t newestOfFrame(std::size_t i) const
    {
        for (std::size_t k = sent.size(); k-- > i;)
            if (sent[k].frame == sent[i].frame && sent[k].name == sent[i].name && likeness[k] >= likeness[i] - kClearly)
                return k;
        return i;
    }
};

Recognised sure(Recognised result, Recognised::By by, std::size_t sent, std::string words)
{
    result.by = by, result.isSure = true, result.sent = sent, result.words = std::move(words);
    return result;
}

/// By the longest name of a sent file that its name still has.
std::optional<std::size_t> byName(const Asked& asked)
{
    std::optional<std::size_t> best;
    std::size_t most = 0;
    for (std::size_t i = 0; i < asked.sent.size(); ++i)
        if (const std::size_t left = nameLeft(asked.file.filename().string(), asked.sent[i].name);
            left > 0 && left >= most && asked.likeness[i] >= kWithName)
            best = i, most = left;
    return best;
}

/// By what it shows alone.
Recognised byContent(const Asked& asked, Recognised result, const SameShare& sameShare)
{
    constexpr std::size_t kMostTried = 6;
    const auto& all = result.candidates;
    if (all.empty() || all.front().likeness < kByContent) {
        result.words = "none of the pictures that were sent looks like it";
        return result;
    }
    std::vector<std::size_t> near;
    for (const auto& c : all)
        if (c.likeness > all.front().likeness - kClearly && std::none_of(near.begin(), near.end(), [&](std::size_t n) {
                return asked.sent[n].frame == asked.sent[c.sent].frame;
            }))
            near.push_back(asked.newestOfFrame(c.sent));
    if (near.size() == 1)
        return sure(std::move(result), Recognised::By::Content, near.front(), "known by what it shows");
    if (sameShare && near.size() <= kMostTried) {
        std::vector<std::pair<double, std::size_t>> shares;
        for (const std::size_t n : near)
            shares.emplace_back(sameShare(n), n);
        std::sort(shares.rbegin(), shares.rend());
        if (shares[0].first > kSameCodes && shares[0].first > 4 * shares[1].first)
            return sure(std::move(result), Recognised::By::Content, shares[0].second,
                        "of pictures that look alike, known by its pixels");
    }
    result.words = std::to_string(near.size()) + " pictures that were sent look like it";
    return result;
}

}  // namespace

Result<Recognised> recognise(const std::filesystem::path& file, const std::vector<SentFile>& sent,
                             const SameShare& sameShare)
{
    longCall("recognise");
    constexpr int kEdge = 640;
    const auto picture = readReduced(file, kEdge, false);
    if (!picture)
        return tl::make_unexpected(picture.error());
    const GreyPrint print = greyPrintOf(picture->image.view());
    Asked asked{file, sent, {}};
    Recognised result;
    for (std::size_t i = 0; i < sent.size(); ++i) {
        asked.likeness.push_back(placeIn(greyPrintFromText(sent[i].small), print).likeness);
        result.candidates.push_back({i, asked.likeness.back()});
    }
    std::stable_sort(result.candidates.begin(), result.candidates.end(),
                     [](const auto& p, const auto& q) { return p.likeness > q.likeness; });
    const auto own = ownXmp(file);
    const auto identity = own.find(kIdentity);
    for (std::size_t i = 0; identity != own.end() && i < sent.size(); ++i)
        if (sent[i].identity == identity->second) {
            if (asked.likeness[i] >= kWithIdentity)
                return sure(std::move(result), Recognised::By::Identity, i, "known by the identity in it");
            result.words = "it has the identity of " + sent[i].name + " and does not look like it";
            return result;
        }
    if (const auto named = byName(asked))
        return sure(std::move(result), Recognised::By::Name, asked.newestOfFrame(*named), "known by its name");
    return byContent(asked, std::move(result), sameShare);
}

}  // namespace amber
