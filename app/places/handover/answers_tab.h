// Rounds of answers and the pins there are: what clients said, what is still to be done.
#pragma once

#include "app/document/document.h"
#include "core/job/rounds.h"

#include <QFileSystemWatcher>
#include <QWidget>

class QCheckBox;
class QLabel;
class QPushButton;
class QTableWidget;

namespace amber {

class PinList;

class AnswersTab : public QWidget {
    Q_OBJECT

public:
    explicit AnswersTab(Document& document, QWidget* parent = nullptr);
    /// An answer from a file; what was wrong with it is said.
    void take(const QString& file);

signals:
    void taken(const QString& words);

private:
    void refresh();
    void fillRounds();
    void watch();
    void lookForAnswers();
    void makeTables();

    Document& m_document;
    QFileSystemWatcher* m_watcher;
    QTableWidget* m_rounds;
    PinList* m_pins;
    QLabel* m_words;
    QPushButton* m_take;
    QCheckBox* m_all;
    std::set<QString> m_seen;
};

}  // namespace amber
