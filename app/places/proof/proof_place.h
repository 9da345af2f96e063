// The Proof place: what could be wrong is found before the client finds it. Tabs: the consistency table, the
// checks, the contact sheet, the screens and prints of others; and the report of it all.
#pragma once

#include "app/places/proof/checks_tab.h"
#include "app/places/proof/screens_tab.h"
#include "app/places/proof/sheet_tab.h"
#include "app/places/proof/table_tab.h"

class QButtonGroup;
class QStackedWidget;

namespace amber {

class ProofPlace : public QWidget {
    Q_OBJECT

public:
    enum class Tab { Table, Checks, Sheet, Screens };

    ProofPlace(Document& document, ProxyStore& proxies, Screens& screens,
               const std::function<QPixmap(std::int64_t)>& thumbnail, QWidget* parent = nullptr);

    void go(Tab tab);
    Tab tab() const;
    TableTab& table() { return *m_table; }
    ChecksTab& checks() { return *m_checks; }
    SheetTab& sheet() { return *m_sheet; }
    ScreensTab& screens() { return *m_screens; }
    Task& reporting() { return *m_reporting; }
    /// By the ending of its name; in the background, with what the tabs have measured already.
    void saveReport(const QString& path);

signals:
    /// The artist should mark key colours first.
    void markingWanted();

private:
    QLayout* makeTabs();
    void askReport();
    Document& m_document;
    QButtonGroup* m_tabs;
    QStackedWidget* m_stack;
    TableTab* m_table;
    ChecksTab* m_checks;
    SheetTab* m_sheet;
    ScreensTab* m_screens;
    Task* m_reporting;
};

}  // namespace amber
