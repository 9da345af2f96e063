// The user's settings, shared by the whole window.
#pragma once

#include "core/settings/settings.h"

#include <QObject>

namespace amber {

class OwnSettings : public QObject {
    Q_OBJECT

public:
    /// Read when it is asked for first.
    static OwnSettings& instance();
    const Settings& get() const { return m_settings; }
    /// Holds at once, and from the next start on when it can be written: else the reason is given.
    Status set(const Settings& settings);
    /// Why the file could not be read, told once.
    QString takeFault();
    /// As at a start.
    void readAgain();

signals:
    void changed();

private:
    OwnSettings();
    Settings m_settings;
    QString m_fault;
};

}  // namespace amber
