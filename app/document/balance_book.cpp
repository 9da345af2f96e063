#include "app/document/balance_book.h"

#include "app/document/document.h"
#include "core/base/json_text.h"
#include "core/image/read.h"

namespace amber {
namespace {

constexpr const char *kAt = "balance/at", *kPlaces = "keyPlaces", *kResponses = "responses";

std::string nameOf(std::int64_t frame) { return "balance/frame/" + std::to_string(frame); }

}  // namespace

BalanceBook::BalanceBook(Document& document) : QObject(&document), m_document(document) {}

void BalanceBook::reload()
{
    m_balances.clear();
    m_faults.clear();
    m_responses.clear();
    m_places.clear();
    m_at = std::max(0, std::atoi(m_document.choice(kAt).c_str()));
    m_count = m_at;
    while (!m_document.choice(entryName(m_count)).empty())
        ++m_count;
    for (const Frame& frame : m_document.frames()) {
        const std::string kept = m_document.choice(nameOf(frame.id));
        if (kept.empty())
            continue;
        if (auto balance = frameBalanceFromText(kept)) {
            m_balances[frame.id] = std::move(*balance);
        } else {
            m_faults[frame.id] = balance.error().message();
            m_document.noteUnreadable(
                nameOf(frame.id),
                Error{tr("The balance of %1 cannot be read, and it is not handed over before it is balanced again")
                          .arg(titleOf(frame))
                          .toStdString(),
                      {},
                      {},
                      {}});
        }
    }
    const auto read = [&](const char* name, const QString& words, auto&& take) {
        const std::string kept = m_document.choice(name);
        if (kept.empty())
            return;
        try {
            take(Json::parse(kept));
        } catch (const Json::exception& error) {
            m_document.noteUnreadable(name, Error{words.toStdString(), {}, {}, error.what()});
        }
    };
    read(kResponses, tr("The responses of cameras cannot be read"), [&](const Json& all) {
        for (const auto& [name, curve] : all.items())
            if (auto response = responseFromText(curve.get<std::string>()))
                m_responses[name] = *response;
    });
    read(kPlaces, tr("The places of key colours cannot be read"), [&](const Json& all) {
        for (const Json& p : all) {
            const auto r = p.at("place").get<std::array<double, 4>>();
            m_places.push_back({p.at("key").get<std::string>(),
                                p.at("frame").get<std::int64_t>(),
                                {r[0], r[1], r[2], r[3]},
                                p.at("confidence").get<double>(),
                                p.at("confirmed").get<bool>()});
        }
    });
    emit historyChanged();
    emit keyPlacesChanged();
}

std::string BalanceBook::entryName(int index) const { return "balance/gesture/" + std::to_string(index); }

FrameBalance BalanceBook::of(std::int64_t frame) const
{
    const auto known = m_balances.find(frame);
    return known != m_balances.end() ? known->second : FrameBalance{};
}

std::string BalanceBook::fault(std::int64_t frame) const
{
    if (const auto found = m_faults.find(frame); found != m_faults.end())
        return found->second;
    const std::string response = of(frame).response;
    return response.empty() || response == "raw" || hasResponse(response)
               ? std::string()
               : tr("the response of its camera, %1, is not in the job").arg(text(response)).toStdString();
}

Response BalanceBook::responseOf(const FrameBalance& balance) const
{
    static const Response raw = baseRendering();
    if (balance.response == "raw")
        return raw;
    const auto found = m_responses.find(balance.response);
    return found == m_responses.end() ? Response{} : found->second;
}

void BalanceBook::setResponse(const std::string& name, const Response& response)
{
    m_responses[name] = response;
    Json all = Json::object();
    for (const auto& [camera, curve] : m_responses)
        all[camera] = responseToText(curve);
    m_document.setChoice(kResponses, jsonText(all));
}

void BalanceBook::set(const std::map<std::int64_t, FrameBalance>& balances, const QString& action)
{
    Json entry{{"action", action.toStdString()}, {"before", Json::object()}, {"after", Json::object()}};
    std::vector<std::pair<std::string, std::string>> writes;
    for (const auto& [frame, balance] : balances) {
        const std::string before = m_document.choice(nameOf(frame)), after = frameBalanceToText(balance);
        carryMarks(frame, frameBalanceFromText(before).value_or(FrameBalance{}).geometry, balance.geometry);
        m_balances[frame] = balance;
        m_faults.erase(frame);
        if (before == after)
            continue;
        entry["before"][std::to_string(frame)] = before, entry["after"][std::to_string(frame)] = after;
        writes.emplace_back(nameOf(frame), after);
    }
    if (!writes.empty()) {
        // What had been taken back is no longer to be done again.
        writes.emplace_back(entryName(m_at), jsonText(entry));
        writes.emplace_back(entryName(m_at + 1), "");
        writes.emplace_back(kAt, std::to_string(m_at + 1));
        m_document.setChoices(writes);
        m_count = ++m_at;
        emit historyChanged();
    }
    for (const auto& [frame, balance] : balances)
        emit changed(frame);
}

void BalanceBook::preview(std::int64_t frame, const FrameBalance& balance)
{
    m_balances[frame] = balance;
    emit changed(frame);
}

void BalanceBook::carryMarks(std::int64_t id, const Geometry& before, const Geometry& after)
{
    auto keys = m_document.keyColours();
    auto places = m_places;
    const Frame* frame = m_document.frame(id);
    const bool isMarked = std::any_of(keys.begin(), keys.end(), [&](const KeyColour& k) { return k.frame == id; }) ||
                          std::any_of(places.begin(), places.end(), [&](const KeyPlace& p) { return p.frame == id; });
    if (before == after || !frame || !isMarked)
        return;
    const auto info = readPictureInfo(frame->path);
    const double ratio = info ? static_cast<double>(info->width) / info->height : 1.5;
    const auto carried = [&](const Region& place) {
        return regionInPlaced(after, ratio, regionInSource(before, ratio, place));
    };
    for (KeyColour& key : keys)
        if (key.frame == id)
            key.place = carried(key.place);
    for (KeyPlace& place : places)
        if (place.frame == id)
            place.place = carried(place.place);
    m_document.setKeyColours(keys);
    setKeyPlaces(places);
}

QString BalanceBook::undoAction() const
{
    const Json entry = m_at > 0 ? Json::parse(m_document.choice(entryName(m_at - 1)), nullptr, false) : Json();
    return entry.is_object() ? QString::fromStdString(entry.value("action", std::string())) : QString();
}

QString BalanceBook::redoAction() const
{
    const Json entry = m_at < m_count ? Json::parse(m_document.choice(entryName(m_at)), nullptr, false) : Json();
    return entry.is_object() ? QString::fromStdString(entry.value("action", std::string())) : QString();
}

void BalanceBook::undo() { move(-1); }
void BalanceBook::redo() { move(1); }

void BalanceBook::move(int way)
{
    const int entryAt = way < 0 ? m_at - 1 : m_at;
    if (entryAt < 0 || entryAt >= m_count)
        return;
    const Json entry = Json::parse(m_document.choice(entryName(entryAt)), nullptr, false);
    if (!entry.is_object()) {
        emit m_document.failed(tr("This step of the history of balances cannot be read; nothing was changed."));
        return;
    }
    std::vector<std::pair<std::string, std::string>> writes;
    std::vector<std::int64_t> frames;
    const Json texts = entry.value(way < 0 ? "before" : "after", Json::object());
    for (const auto& [id, text] : texts.items())
        if (text.is_string()) {
            const std::int64_t frame = std::atoll(id.c_str());
            const auto balance = frameBalanceFromText(text.get<std::string>());
            writes.emplace_back(nameOf(frame), text.get<std::string>());
            carryMarks(frame, of(frame).geometry, balance.value_or(FrameBalance{}).geometry);
            m_balances[frame] = balance.value_or(FrameBalance{});
            m_faults.erase(frame);
            if (!balance)
                m_faults[frame] = balance.error().message();
            frames.push_back(frame);
        }
    m_at += way;
    writes.emplace_back(kAt, std::to_string(m_at));
    m_document.setChoices(writes);
    emit historyChanged();
    for (const std::int64_t frame : frames)
        emit changed(frame);
}

std::optional<BalanceBook::KeyPlace> BalanceBook::keyPlace(const std::string& key, std::int64_t frame) const
{
    const auto found = std::find_if(m_places.begin(), m_places.end(),
                                    [&](const KeyPlace& p) { return p.key == key && p.frame == frame; });
    return found == m_places.end() ? std::nullopt : std::optional(*found);
}

void BalanceBook::setKeyPlaces(const std::vector<KeyPlace>& places)
{
    if (places == m_places)
        return;
    m_places = places;
    Json all = Json::array();
    for (const KeyPlace& p : places)
        all.push_back({{"key", p.key},
                       {"frame", p.frame},
                       {"place", {p.place.left, p.place.top, p.place.right, p.place.bottom}},
                       {"confidence", p.confidence},
                       {"confirmed", p.isConfirmed}});
    m_document.setChoice(kPlaces, jsonText(all));
    emit keyPlacesChanged();
}

}  // namespace amber
