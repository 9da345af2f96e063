#include "app/plan/time_keeper.h"

#include <QTimer>

namespace amber {

TimeKeeper::TimeKeeper(Document& document, QObject* parent)
    : QObject(parent), m_document(document), m_timer(new QTimer(this))
{
    m_now.start();
    m_timer->setInterval(20000);
    connect(m_timer, &QTimer::timeout, this, &TimeKeeper::flush);
    m_timer->start();
    connect(&document, &Document::opening, this, [this] { (void)m_clock.take(); });
    connect(&document, &Document::opened, this, [this] {
        m_done.clear();
        const QStringList ids = text(m_document.choice("done")).split(',', Qt::SkipEmptyParts);
        for (const QString& id : ids)
            m_done.insert(id.toLongLong());
        emit changed();
    });
}

void TimeKeeper::act(int stage)
{
    m_clock.act(static_cast<double>(m_now.elapsed()) / 1000, m_document.frameInHand(), stage);
}

void TimeKeeper::flush()
{
    std::vector<std::pair<std::string, std::string>> writes;
    for (const auto& [frame, more] : m_clock.take()) {
        StageTimes all = spent(frame);
        for (std::size_t s = 0; s < kStages; ++s)
            all[s] += more[s];
        writes.emplace_back("time/" + std::to_string(frame), stageTimesToText(all));
    }
    if (writes.empty())
        return;
    m_document.setChoices(writes);
    emit changed();
}

StageTimes TimeKeeper::spent(std::int64_t frame) const
{
    return stageTimesFromText(m_document.choice("time/" + std::to_string(frame)));
}

void TimeKeeper::setDone(const std::vector<std::int64_t>& frames, bool done)
{
    for (const std::int64_t frame : frames)
        done ? (void)m_done.insert(frame) : (void)m_done.erase(frame);
    QStringList ids;
    for (const std::int64_t frame : m_done)
        ids << QString::number(frame);
    m_document.setChoice("done", ids.join(',').toStdString());
    emit changed();
}

TimePlan TimeKeeper::plan() const { return timePlanFromText(m_document.choice("timePlan")); }

void TimeKeeper::setPlan(const TimePlan& plan)
{
    m_document.setChoice("timePlan", timePlanToText(plan));
    emit changed();
}

TimeForecast TimeKeeper::forecastNow() const
{
    std::vector<PlannedFrame> frames;
    for (const Frame& frame : m_document.frames())
        frames.push_back({weight(frame.id), spent(frame.id), isDone(frame.id)});
    return forecast(plan(), frames);
}

}  // namespace amber
