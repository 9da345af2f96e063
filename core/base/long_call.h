// Calls that may take longer than a frame of the screen say so here. A thread that must not wait, the interface's, can
// ask to be told: the window writes it to its log, and the window's tests fail.
#pragma once

namespace amber {

/// Called at the beginning of what may take long. Does nothing on a thread on which no NoLongCalls lives.
void longCall(const char* what);

/// While one lives on a thread, longCall() there is reported.
class NoLongCalls {
public:
    NoLongCalls();
    ~NoLongCalls();
    NoLongCalls(const NoLongCalls&) = delete;
    NoLongCalls& operator=(const NoLongCalls&) = delete;
};

/// Who is told, from the thread itself; null: nobody. Returns who was told before.
using LongCallReport = void (*)(const char* what);
LongCallReport setLongCallReport(LongCallReport report);

}  // namespace amber
