#include "app/settings/own_settings.h"

#include "app/words/words.h"

#include <utility>

namespace amber {

OwnSettings& OwnSettings::instance()
{
    static OwnSettings one;
    return one;
}

OwnSettings::OwnSettings() { readAgain(); }

Status OwnSettings::set(const Settings& settings)
{
    if (settings == m_settings)
        return {};
    m_settings = settings;
    emit changed();
    return writeSettings(settingsFile(), settings);
}

QString OwnSettings::takeFault() { return std::exchange(m_fault, {}); }

void OwnSettings::readAgain()
{
    ReadSettings read = readSettings(settingsFile());
    m_fault = text(read.fault);
    const bool isOther = read.settings != m_settings;
    m_settings = std::move(read.settings);
    if (isOther)
        emit changed();
}

}  // namespace amber
