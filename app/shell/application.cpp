#include "app/shell/application.h"

#include "app/theme/reader.h"
#include "app/theme/theme.h"
#include "core/base/hand_over.h"
#include "core/base/log.h"
#include "core/base/long_call.h"

#include <QAbstractSpinBox>
#include <QKeyEvent>
#include <QLineEdit>
#include <QTableView>
#include <clocale>

namespace amber {

Application::Application(int& argc, char** argv) : QApplication(argc, argv)
{
    // QApplication takes the user's locale for the C library as well, where it changes what numbers look like to every
    // library.
    std::setlocale(LC_NUMERIC, "C");
    theme::install(*this);
    letReadersPress();
    setLongCallReport([](const char* what) { logWarning(std::string("the interface waited for ") + what); });
}

namespace {

/// Undo and redo belong to the job, and to a field of numbers only while something is being typed into it.
bool isOfTheJob(QObject* receiver, QEvent* event)
{
    const auto* box = qobject_cast<QAbstractSpinBox*>(receiver);
    const auto* line = box ? box->findChild<QLineEdit*>() : nullptr;
    const auto* key = static_cast<QKeyEvent*>(event);
    return line && !line->isModified() && (key->matches(QKeySequence::Undo) || key->matches(QKeySequence::Redo));
}

}  // namespace

bool Application::notify(QObject* receiver, QEvent* event)
{
    takeOver(Carrier::Events);
    const NoLongCalls fluent;
    if (event->type() == QEvent::ShortcutOverride && isOfTheJob(receiver, event)) {
        event->ignore();
        return true;
    }
    // Tab goes on to the next control from everywhere; in a table, arrows go from cell to cell.
    if (event->type() == QEvent::Polish) {
        tellReadersOf(receiver);
        if (auto* table = qobject_cast<QTableView*>(receiver))
            table->setTabKeyNavigation(false);
    }
    try {
        return QApplication::notify(receiver, event);
    } catch (const std::bad_alloc&) {
        logWarning("no memory in a handler of the window");
        emit broke(tr("There was not enough memory for this. Nothing that was kept is lost."));
    } catch (const std::exception& error) {
        logWarning(std::string("caught in a handler of the window: ") + error.what());
        emit broke(
            tr("This could not be done: %1. Nothing that was kept is lost.").arg(QString::fromUtf8(error.what())));
    }
    return false;
}

}  // namespace amber
