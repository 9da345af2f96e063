// Every keyboard shortcut in one table, for the window and for the list on F1.
#pragma once

#include <QKeySequence>
#include <QString>
#include <vector>

class QWidget;

namespace amber {

struct Shortcut {
    const char* id;
    QKeySequence keys;  ///< as shipped
    QString words;
    bool isFixed = false;  ///< held keys, and those that every program has
};

const std::vector<Shortcut>& shortcuts();
/// As the user has set them, or as shipped.
QKeySequence keysOf(const char* id);
/// "words (keys)", for tool tips.
QString withKeys(const QString& words, const char* id);
/// Why a shortcut cannot have these keys, for people; empty when it can.
QString faultOfKeys(const char* id, const QKeySequence& keys);
void showShortcuts(QWidget* parent);

}  // namespace amber
