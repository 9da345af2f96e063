#include "core/practice/history.h"

#include "core/base/csv_text.h"
#include "core/base/json_text.h"
#include "core/base/number_text.h"
#include "core/base/own_files.h"

#include <algorithm>
#include <cerrno>
#include <cstring>
#include <fcntl.h>
#include <fstream>
#include <map>
#include <sys/file.h>
#include <unistd.h>

namespace amber {
namespace {

std::string lineOf(const Played& p)
{
    return jsonText({{"made", p.made},
                     {"sitting", p.sitting},
                     {"drill", kDrillNames[static_cast<std::size_t>(p.drill)]},
                     {"level", p.level},
                     {"isRight", p.isRight},
                     {"isAmountRight", p.isAmountRight},
                     {"right", p.right},
                     {"said", p.said},
                     {"picture", p.picture},
                     {"seconds", p.seconds},
                     {"deltaE", p.deltaE},
                     {"onOwn", p.onOwn},
                     {"threshold", p.threshold},
                     {"uncertainty", p.uncertainty}}) +
           "\n";
}

/// Throws for a line that is none.
Played playedFrom(const std::string& line)
{
    const Json json = Json::parse(line);
    Played p;
    const auto name = json.at("drill").get<std::string>();
    const auto drill = std::find(kDrillNames.begin(), kDrillNames.end(), name);
    if (drill == kDrillNames.end())
        throw std::invalid_argument(name);
    p.drill = static_cast<Drill>(drill - kDrillNames.begin());
    for (auto [field, to] : {std::pair{"made", &p.made},
                             {"sitting", &p.sitting},
                             {"right", &p.right},
                             {"said", &p.said},
                             {"picture", &p.picture}})
        *to = json.at(field).get<std::string>();
    for (auto [field, to] : {std::pair{"level", &p.level},
                             {"seconds", &p.seconds},
                             {"deltaE", &p.deltaE},
                             {"threshold", &p.threshold},
                             {"uncertainty", &p.uncertainty}})
        *to = json.at(field).get<double>();
    p.isRight = json.at("isRight").get<bool>(), p.isAmountRight = json.at("isAmountRight").get<bool>();
    p.onOwn = json.at("onOwn").get<bool>();
    return p;
}

Status failed(const std::string& what, const std::filesystem::path& file)
{
    return fail(what + ": " + std::strerror(errno), file.string());
}

}  // namespace

std::filesystem::path PracticeHistory::fileOfUser() { return userDataFolder() / "practice.jsonl"; }

PracticeHistory::PracticeHistory(std::filesystem::path file) : m_file(std::move(file))
{
    std::ifstream in(m_file, std::ios::binary);
    for (std::string line; std::getline(in, line);)
        try {
            if (!line.empty())
                m_rounds.push_back(playedFrom(line));
        } catch (const std::exception&) {
            ++m_unreadable;
        }
}

Status PracticeHistory::add(const Played& played)
{
    std::error_code error;
    std::filesystem::create_directories(m_file.parent_path(), error);
    const int file = ::open(m_file.c_str(), O_RDWR | O_APPEND | O_CREAT | O_CLOEXEC, 0644);
    if (file < 0)
        return failed("what was practised cannot be kept", m_file);
    ::flock(file, LOCK_EX);
    // A line that was cut off by a full disk or a kill ends here, so that this one is whole.
    std::string line = lineOf(played);
    const off_t size = ::lseek(file, 0, SEEK_END);
    char last = '\n';
    if (size > 0 && ::pread(file, &last, 1, size - 1) == 1 && last != '\n')
        line = "\n" + line;
    const ssize_t written = ::write(file, line.data(), line.size());
    const bool isKept = written == static_cast<ssize_t>(line.size()) && ::fsync(file) == 0;
    const Status status = isKept ? Status() : failed("what was practised cannot be kept", m_file);
    if (!isKept && written > 0)
        (void)!::ftruncate(file, size);
    ::close(file);
    if (status)
        m_rounds.push_back(played);
    return status;
}

Staircase PracticeHistory::staircase(Drill drill) const
{
    constexpr double kFirstSpread = 0.45, kNextSpread = 0.2;
    const DrillRange range = rangeOf(drill);
    for (auto p = m_rounds.rbegin(); p != m_rounds.rend(); ++p)
        if (p->drill == drill && p->threshold > 0)
            return {std::clamp(p->threshold, range.least, range.most),
                    std::max(kNextSpread, std::min(kFirstSpread, p->uncertainty)), range.least, range.most,
                    range.guess};
    return {range.start, kFirstSpread, range.least, range.most, range.guess};
}

std::vector<PracticeHistory::Sitting> PracticeHistory::sittings(Drill drill) const
{
    std::vector<Sitting> all;
    std::string current;
    for (const Played& p : m_rounds) {
        if (p.drill != drill)
            continue;
        if (all.empty() || p.sitting != current)
            all.push_back({p.made, 0, 0, 0, 0, 0}), current = p.sitting;
        Sitting& s = all.back();
        s.seconds = (s.seconds * s.rounds + p.seconds) / (s.rounds + 1);
        ++s.rounds, s.right += p.isRight;
        s.threshold = p.threshold, s.uncertainty = p.uncertainty;
    }
    return all;
}

std::vector<PracticeHistory::Confusion> PracticeHistory::confusions(Drill drill) const
{
    std::map<std::string, int> asked;
    std::map<std::pair<std::string, std::string>, int> taken;
    for (const Played& p : m_rounds)
        if (p.drill == drill) {
            ++asked[p.right];
            if (!p.isRight)
                ++taken[{p.right, p.said}];
        }
    std::vector<Confusion> all;
    for (const auto& [pair, times] : taken)
        all.push_back({pair.first, pair.second, times, asked[pair.first]});
    std::stable_sort(all.begin(), all.end(), [](const Confusion& a, const Confusion& b) { return a.times > b.times; });
    return all;
}

std::string PracticeHistory::csv() const
{
    std::string csv = "time (UTC),sitting,drill,level,right,amount right,was,said,picture,seconds,dE00 left,own frames,"
                      "threshold,uncertainty (log10)\n";
    const auto yes = [](bool is) { return is ? "yes" : "no"; };
    for (const Played& p : m_rounds)
        csv += csvField(p.made) + "," + csvField(p.sitting) + "," +
               std::string(kDrillNames[static_cast<std::size_t>(p.drill)]) + "," + shortText(p.level, 4) + "," +
               yes(p.isRight) + "," + yes(p.isAmountRight) + "," + csvField(p.right) + "," + csvField(p.said) + "," +
               csvField(p.picture) + "," + fixedText(p.seconds, 1) + "," + fixedText(p.deltaE, 3) + "," + yes(p.onOwn) +
               "," + shortText(p.threshold, 4) + "," + fixedText(p.uncertainty, 3) + "\n";
    return csv;
}

std::string confusionWords(const std::vector<PracticeHistory::Confusion>& confusions)
{
    std::string words;
    for (std::size_t i = 0; i < confusions.size() && i < 2; ++i)
        if (confusions[i].times >= 2)
            words += (words.empty() ? "You take " : "; ") + confusions[i].right + " for " + confusions[i].said + ": " +
                     std::to_string(confusions[i].times) + " of " + std::to_string(confusions[i].of) + " times";
    return words.empty() ? words : words + ".";
}

}  // namespace amber
