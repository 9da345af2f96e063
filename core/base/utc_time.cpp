#include "core/base/utc_time.h"

#include <ctime>

namespace amber {

std::string utcText(long long seconds)
{
    const auto when = static_cast<std::time_t>(seconds);
    std::tm utc{};
    gmtime_r(&when, &utc);
    char text[32];
    std::strftime(text, sizeof text, "%Y-%m-%d %H:%M:%S", &utc);
    return text;
}

std::string utcNow() { return utcText(std::time(nullptr)); }

}  // namespace amber
