// The profile that the desk's colour management has given a screen: X11's _ICC_PROFILE property of the root window
// (ICC Profiles in X Specification 0.4; _ICC_PROFILE_n for the screens after the first).
#pragma once

#include <QAbstractNativeEventFilter>
#include <cstdint>
#include <functional>
#include <vector>

namespace amber {

/// The bytes of the property; empty when there is none, or no X11.
std::vector<std::uint8_t> screenProperty(int screen);

/// Calls `act` when a profile is set, changed or taken away, as long as it lives.
class ScreenPropertyWatch : public QAbstractNativeEventFilter {
public:
    explicit ScreenPropertyWatch(std::function<void()> act);
    ~ScreenPropertyWatch() override;
    bool nativeEventFilter(const QByteArray& type, void* message, qintptr* result) override;

private:
    std::function<void()> m_act;
};

}  // namespace amber
