// Every keyboard shortcut in one table, for the window and for the list on F1.
#pragma once

#include <QKeySequence>
#include <QString>
#include <vector>

class QWidget;

namespace amber {

struct Shortcut {
    const char* id;
    QKeySequence keys;
    QString words;
};

const std::vector<Shortcut>& shortcuts();
QKeySequence keysOf(const char* id);
void showShortcuts(QWidget* parent);

}  // namespace amber
