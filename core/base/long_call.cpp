#include "core/base/long_call.h"

#include <atomic>

namespace amber {
namespace {

thread_local int t_forbidden = 0;
std::atomic<LongCallReport> s_report{nullptr};

}  // namespace

void longCall(const char* what)
{
    if (t_forbidden == 0)
        return;
    if (const LongCallReport report = s_report.load())
        report(what);
}

NoLongCalls::NoLongCalls() { ++t_forbidden; }
NoLongCalls::~NoLongCalls() { --t_forbidden; }

LongCallReport setLongCallReport(LongCallReport report) { return s_report.exchange(report); }

}  // namespace amber
