#include "core/log/log.h"

#include "core/base/csv_text.h"
#include "core/base/json_text.h"
#include "core/base/phrase.h"
#include "core/job/rounds.h"
#include "core/look/look_json.h"
#include "core/page/column.h"

#include <algorithm>
#include <ctime>
#include <sstream>

namespace amber {
namespace {

/// Small letters, as far as Latin 1 goes.
std::string folded(const std::string& text)
{
    std::string out = text;
    for (std::size_t i = 0; i < out.size(); ++i) {
        auto& c = out[i];
        if (c >= 'A' && c <= 'Z')
            c = static_cast<char>(c - 'A' + 'a');
        const bool isSecond = i > 0 && static_cast<unsigned char>(out[i - 1]) == 0xC3;
        if (const auto u = static_cast<unsigned char>(c); isSecond && u >= 0x80 && u <= 0x9E && u != 0x97)
            c = static_cast<char>(u + 0x20);
    }
    return out;
}

void setTime(LogEntry& entry, const std::string& made)
{
    entry.made = made;
    std::tm utc{};
    if (!strptime(made.c_str(), "%Y-%m-%d %H:%M:%S", &utc)) {
        entry.day = made;
        return;
    }
    const std::time_t when = timegm(&utc);
    std::tm here{};
    localtime_r(&when, &here);
    char day[32], time[32];
    std::strftime(day, sizeof day, "%Y-%m-%d", &here), std::strftime(time, sizeof time, "%H:%M", &here);
    entry.day = day, entry.time = time;
}

void setWords(LogEntry& entry, const LogNames& names)
{
    std::string all = entry.what + "\n" + entry.reason + "\n" + entry.day;
    for (const std::string& line : entry.lines)
        all += "\n" + line;
    for (const FrameId frame : entry.frames)
        all += "\n" + names.frame(frame);
    entry.words = folded(all);
}

template <class T>
void addOnce(std::vector<T>& all, T one)
{
    if (one != 0 && std::find(all.begin(), all.end(), one) == all.end())
        all.push_back(one);
}

LogEntry entryOf(const JournalEntry& from, const LogNames& names)
{
    LogEntry entry;
    entry.gesture = from.gesture.id, entry.what = from.gesture.what, entry.reason = from.gesture.reason;
    entry.isDone = from.isDone;
    setTime(entry, from.gesture.made);
    std::set<FrameId> frames;
    for (const Change& change : from.changes) {
        for (std::string& line : sentencesOf(change, names))
            entry.lines.push_back(std::move(line));
        if (const FrameId frame = frameOf(change); frame != 0 && frames.insert(frame).second)
            entry.frames.push_back(frame);
        addOnce(entry.looks, lookOf(change));
        entry.kinds.insert(kindOf(change.part));
    }
    return entry;
}

void addRecords(const JobStore& store, std::vector<LogEntry>& all)
{
    if (const auto sent = store.records("sent"))
        for (const Record& record : *sent) {
            LogEntry entry;
            entry.what = phrase("Sent out"), entry.kinds = {LogKind::HandOver};
            const Json json = Json::parse(record.json, nullptr, false);
            if (json.is_object()) {
                entry.lines.push_back(phrase("file %1", {json.value("name", std::string())}));
                addOnce(entry.frames, json.value("frame", FrameId{0}));
            }
            setTime(entry, record.made);
            all.push_back(std::move(entry));
        }
    for (const Round& round : roundsOf(store)) {
        LogEntry entry;
        entry.kinds = {LogKind::HandOver};
        for (const Round::File& file : round.files)
            addOnce(entry.frames, file.frame);
        entry.what = phrase("Handed over with a question");
        entry.lines = {countedPhrase(round.files.size(), "round %1: %n file", "round %1: %n files",
                                     {std::to_string(round.number)})};
        setTime(entry, round.asked);
        all.push_back(entry);
        if (round.answered.empty())
            continue;
        entry.what = phrase("The client answered"), entry.lines = {roundWords(round)};
        setTime(entry, round.answered);
        all.push_back(std::move(entry));
    }
}

/// The versions of looks that the journal names.
std::vector<RevisionId> namedVersions(const std::vector<JournalEntry>& entries)
{
    std::set<RevisionId> named;
    for (const JournalEntry& entry : entries)
        for (const Change& change : entry.changes)
            for (const std::string* text : {&change.before, &change.after})
                if (change.part == Change::Part::Look && !text->empty())
                    if (const Json json = Json::parse(*text, nullptr, false);
                        json.is_object() && json.contains("revision") && json["revision"].is_number_integer())
                        named.insert(json["revision"].get<RevisionId>());
    return {named.begin(), named.end()};
}

/// Reads them from their texts when they are asked for, each once. One thread at a time.
std::function<Result<Look>(RevisionId)> looksIn(std::map<RevisionId, std::string> texts)
{
    struct Kept {
        std::map<RevisionId, std::string> texts;
        std::map<RevisionId, Result<Look>> looks;
    };
    auto kept = std::make_shared<Kept>();
    kept->texts = std::move(texts);
    return [kept](RevisionId id) -> Result<Look> {
        if (const auto found = kept->looks.find(id); found != kept->looks.end())
            return found->second;
        const auto text = kept->texts.find(id);
        if (text == kept->texts.end())
            return fail("no such version", {}, {}, std::to_string(id));
        auto loaded = lookFromText(text->second, "version " + std::to_string(id));
        Result<Look> look = loaded ? Result<Look>(std::move(loaded->look)) : tl::make_unexpected(loaded.error());
        return kept->looks.emplace(id, std::move(look)).first->second;
    };
}

std::string dayWords(const std::string& day, std::size_t count)
{
    return day + "  (" + countedPhrase(count, "%n entry", "%n entries") + ")";
}

/// Calls `begin` for every day, then `each` for its entries.
template <class Begin, class Each>
void byDay(const std::vector<LogEntry>& entries, Begin&& begin, Each&& each)
{
    for (std::size_t i = 0; i < entries.size();) {
        std::size_t end = i;
        while (end < entries.size() && entries[end].day == entries[i].day)
            ++end;
        begin(dayWords(entries[i].day, end - i));
        for (; i < end; ++i)
            each(entries[i]);
    }
}

std::string headOf(const LogEntry& entry)
{
    return entry.what + (entry.isDone ? std::string() : phrase(" (taken back)"));
}

}  // namespace

Result<LogSource> logSource(const JobStore& store)
{
    auto entries = store.entries();
    if (!entries)
        return tl::make_unexpected(entries.error());
    auto texts = store.lookTexts(namedVersions(*entries));
    if (!texts)
        return tl::make_unexpected(texts.error());
    LogSource source{std::move(*entries), namesOf(store.frames(), looksIn(std::move(*texts))), {}};
    addRecords(store, source.records);
    return source;
}

std::vector<LogEntry> logOf(const LogSource& source)
{
    std::vector<LogEntry> all = source.records;
    for (const JournalEntry& entry : source.entries)
        all.push_back(entryOf(entry, source.names));
    for (LogEntry& entry : all)
        setWords(entry, source.names);
    std::stable_sort(all.begin(), all.end(), [](const LogEntry& a, const LogEntry& b) { return a.made < b.made; });
    return all;
}

Result<std::vector<LogEntry>> readLog(const JobStore& store)
{
    const auto source = logSource(store);
    if (!source)
        return tl::make_unexpected(source.error());
    return logOf(*source);
}

bool passes(const LogEntry& entry, const LogFilter& filter)
{
    if (!entry.isDone && !filter.takenBack)
        return false;
    const auto has = [](const auto& list, auto one) { return std::find(list.begin(), list.end(), one) != list.end(); };
    if (filter.look != 0 && !has(entry.looks, filter.look))
        return false;
    if (filter.frame != 0 && !has(entry.frames, filter.frame))
        return false;
    if (filter.kind && entry.kinds.count(*filter.kind) == 0)
        return false;
    if (filter.withReason && entry.reason.empty())
        return false;
    std::istringstream words(folded(filter.words));
    for (std::string word; words >> word;)
        if (entry.words.find(word) == std::string::npos)
            return false;
    return true;
}

std::string logToText(const std::vector<LogEntry>& entries, const std::string& title)
{
    std::string text = title + "\n";
    byDay(
        entries, [&](const std::string& day) { text += "\n" + day + "\n"; },
        [&](const LogEntry& entry) {
            text += "  " + entry.time + "  " + headOf(entry) + "\n";
            if (!entry.reason.empty())
                text += "         " + phrase("because: %1", {entry.reason}) + "\n";
            for (const std::string& line : entry.lines)
                text += "         " + line + "\n";
        });
    return text;
}

std::string logToCsv(const std::vector<LogEntry>& entries)
{
    std::string csv = "time (UTC),gesture,what,change,reason,taken back\n";
    for (const LogEntry& entry : entries)
        for (std::size_t i = 0; i == 0 || i < entry.lines.size(); ++i)
            csv += csvField(entry.made) + "," + std::to_string(entry.gesture) + "," + csvField(entry.what) + "," +
                   csvField(entry.lines.empty() ? std::string() : entry.lines[i]) + "," + csvField(entry.reason) + "," +
                   (entry.isDone ? "no" : "yes") + "\n";
    return csv;
}

Result<std::string> logToPdf(const std::vector<LogEntry>& entries, const std::string& title)
{
    Pages pages(title);
    Column column(pages, title);
    column.text(title, {20, true});
    column.skip(6);
    const Pages::TextStyle strong{10.5, true}, plain{9.5}, slanted{9.5, false, true, 0.25},
        quiet{9, false, false, 0.35};
    byDay(
        entries,
        [&](const std::string& day) {
            column.need(60);
            column.skip(8);
            column.text(day, strong);
            column.line();
        },
        [&](const LogEntry& entry) {
            column.need(26);
            column.text(entry.time + "   " + headOf(entry), plain);
            if (!entry.reason.empty())
                column.text(phrase("because: %1", {entry.reason}), slanted, 34);
            for (const std::string& line : entry.lines)
                column.text(line, quiet, 34);
            column.skip(3);
        });
    return pages.finish();
}

}  // namespace amber
