// The row above the picture in the Look place: the looks of the job, undo, and what can be shown.
#pragma once

#include "app/document/document.h"

#include <QWidget>
#include <array>
#include <functional>

class QBoxLayout;
class QComboBox;
class QMenu;
class QPushButton;
class QToolButton;

namespace amber {

class LookHeader : public QWidget {
    Q_OBJECT

public:
    enum Button { Intent, Findings, Mark, Split, Sweep, Tray, Library, ButtonCount };

    LookHeader(Document& document, QWidget* parent);
    void refresh(bool isComparing);
    void setChecked(Button button, bool on);
    void setComparing(bool on);
    /// The frame that waits for a second look; empty: none is due.
    void showSecondLook(const QString& frame);

signals:
    void intentWanted(bool on);
    void findingsWanted(bool on);
    void markWanted();
    void splitWanted();
    void sweepWanted();
    void trayWanted();
    void libraryWanted();
    void compareWanted();
    void pinWanted();
    void secondLookWanted();
    void viewMenuWanted(QMenu& menu);

protected:
    void changeEvent(QEvent* event) override;

private:
    void drawIcons();
    void makeLookChoice();
    QToolButton* tool(QBoxLayout* row, const char* name, const QString& words, const QString& tip,
                      std::function<void(bool)> act);
    QToolButton* toggle(QBoxLayout* row, const char* name, const QString& words, const QString& tip,
                        std::function<void(bool)> act);
    void addPanels(QBoxLayout* row);
    void addViews(QBoxLayout* row);
    void addVersions(QBoxLayout* row);

    Document& m_document;
    QComboBox* m_looks;
    QToolButton *m_where = nullptr, *m_undo = nullptr, *m_redo = nullptr, *m_aside = nullptr;
    QPushButton *m_pin, *m_compare;
    std::array<QToolButton*, ButtonCount> m_buttons{};
};

}  // namespace amber
