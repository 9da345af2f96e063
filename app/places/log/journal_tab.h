// The journal read as sentences: filters above, the entries by day, and of the chosen one the picture then and now, all
// that changed, and why.
#pragma once

#include "app/document/document.h"
#include "app/render/proxy_store.h"
#include "core/log/log.h"

#include <QWidget>

class QCheckBox;
class QComboBox;
class QLabel;
class QLineEdit;
class QListView;
class QPlainTextEdit;
class QPushButton;

namespace amber {

class LogModel;
class ThenNow;

class JournalTab : public QWidget {
    Q_OBJECT

public:
    JournalTab(Document& document, ProxyStore& proxies, QWidget* parent = nullptr);
    LogModel& model() { return *m_model; }
    ThenNow& thenNow() { return *m_thenNow; }
    bool isReading() const;
    /// Writes what is shown; by the ending as text, table or pages.
    Status save(const QString& path) const;
    void choose(std::int64_t gesture);
    std::int64_t chosen() const { return m_chosen; }
    /// Makes a version of a look from its entries from the chosen one on; asks which.
    void askReplay();

signals:
    void differenceWanted(LookId look, std::int64_t gesture);

protected:
    void showEvent(QShowEvent* event) override;

private:
    void connectAll();
    void nameFilters();
    QLayout* makeFilters();
    QLayout* makeDetail();
    void askSave();
    void read();
    void take(const std::shared_ptr<const std::vector<LogEntry>>& entries);
    void refilter();
    void fillLooks();
    void showChosen();
    void keepReason();
    const LogEntry* entry() const;

    Document& m_document;
    LogModel* m_model;
    Task* m_reading;
    bool m_isStale = true;
    QLineEdit *m_search, *m_reason;
    QComboBox *m_look, *m_frame, *m_kind;
    QCheckBox *m_withReason, *m_takenBack;
    QListView* m_list;
    ThenNow* m_thenNow;
    QLabel *m_title, *m_count;
    QPlainTextEdit* m_lines;
    QPushButton *m_replay, *m_difference, *m_copy, *m_save;
    std::int64_t m_chosen = 0;
};

}  // namespace amber
