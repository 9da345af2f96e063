// Things of a job that are kept as JSON texts, in its tables and in its journal. For this folder and core/log only; the
// readers throw what std::exception covers for a text that is none.
#pragma once

#include "core/job/job.h"

namespace amber {

std::string standInToText(const StandIn& standIn);
StandIn standInFromText(const std::string& text);
std::string pinToText(const Pin& pin);
Pin pinFromText(const std::string& text);
std::string ticksToText(const HandTicks& ticks);
HandTicks ticksFromText(const std::string& text);
std::string handOverToText(const HandOver& choices);
HandOver handOverFromText(const std::string& text);

}  // namespace amber
