#include "app/screen/shipped_profiles.h"

#include <QFile>

/// A library keeps its resources only when they are asked for; the macro must stand outside of namespaces.
static void keepProfiles() { Q_INIT_RESOURCE(profiles); }

namespace amber {

std::vector<DeviceProfile> shippedProfiles()
{
    keepProfiles();
    std::vector<DeviceProfile> all;
    for (const char* name : {"dim-phone", "warm-laptop", "pale-projector", "kiln-felt"}) {
        QFile file(QStringLiteral(":/profiles/%1.icc").arg(name));
        if (!file.open(QIODevice::ReadOnly))
            continue;
        const QByteArray bytes = file.readAll();
        if (auto profile = deviceProfile({bytes.begin(), bytes.end()}, name))
            all.push_back(std::move(*profile));
    }
    return all;
}

}  // namespace amber
