// The application object: theme, locale, and the last net for what nothing else caught.
#pragma once

#include <QApplication>

namespace amber {

class Application : public QApplication {
    Q_OBJECT

public:
    /// Numbers on the screen follow the user's locale; what libraries read from and write to files does not.
    Application(int& argc, char** argv);
    /// An exception out of a handler ends what was being done, not the program.
    bool notify(QObject* receiver, QEvent* event) override;

signals:
    void broke(const QString& why);
};

}  // namespace amber
