// Results brought to the thread of the window.
#pragma once

#include "core/base/hand_over.h"

#include <QObject>
#include <utility>

namespace amber {

/// Runs `act` on the thread of `receiver`: at once when called there, else with its next events.
template <class Act>
void post(QObject* receiver, Act act)
{
    handOver(Carrier::Events);
    QMetaObject::invokeMethod(receiver, std::move(act));
}

}  // namespace amber
