#include "app/document/balances.h"

#include "app/document/document.h"
#include "core/image/read.h"
#include "core/job/edits.h"

namespace amber {

Balances::Balances(Document& document) : QObject(&document), m_document(document) {}

FrameBalance Balances::of(FrameId frame) const
{
    const auto preview = m_previews.find(frame);
    return preview != m_previews.end() ? preview->second : m_document.job().frame(frame).balance;
}

std::string Balances::fault(FrameId frame) const { return m_document.job().balanceFault(frame); }

Response Balances::responseOf(const FrameBalance& balance) const { return m_document.job().responseOf(balance); }

void Balances::set(const std::map<FrameId, FrameBalance>& balances, const QString& action)
{
    // What is on screen stays there also when it cannot be kept now.
    std::vector<FrameId> shown;
    for (const auto& [frame, balance] : balances) {
        if (m_previews.count(frame) > 0)
            shown.push_back(frame);
        m_previews[frame] = balance;
    }
    const auto ratioOf = [this](FrameId id) -> std::optional<double> {
        const Frame* frame = m_document.frame(id);
        const auto info = frame ? readPictureInfo(frame->path) : fail("no such frame");
        return info ? std::optional(static_cast<double>(info->width) / info->height) : std::nullopt;
    };
    if (m_document.commit(withBalances(m_document.job(), balances, ratioOf), action))
        for (const auto& [frame, balance] : balances)
            m_previews.erase(frame);
    for (const FrameId frame : shown)
        emit changed(frame);
}

void Balances::preview(FrameId frame, const FrameBalance& balance)
{
    m_previews[frame] = balance;
    emit changed(frame);
}

void Balances::dropPreviews() { m_previews.clear(); }

}  // namespace amber
