// Pins as a table: what is to be done about a frame or a step, from whom, and whether it is done.
#pragma once

#include "app/document/document.h"

#include <QTableWidget>

namespace amber {

class PinList : public QTableWidget {
    Q_OBJECT

public:
    PinList(Document& document, QWidget* parent = nullptr);
    /// Also those that are done.
    void showAll(bool on);
    /// The pin in the row that has the focus, or 0.
    PinId chosen() const;
    const std::vector<PinId>& shown() const { return m_shown; }
    void refresh();
    void remove(PinId pin);

signals:
    void wanted(PinId pin);  ///< Enter or a double click
    void refreshed();

private:
    void setDone(PinId id, bool isDone);
    Document& m_document;
    std::vector<PinId> m_shown;
    bool m_isAll = false, m_isFilling = false;
};

/// "step 3 Chroma of Evening", "a place of north-04", "north-04": what a pin is on. A step that is gone is named by its
/// kind.
QString whereWords(const Document& document, const Pin& pin);
/// The step that a pin is on, in a look as it is; -1: it is not there.
int stepOf(const Look& look, const PinnedStep& step);
/// Asks for the words of a pin and adds it: to a place of the frame in hand, to a step of the look in hand, or to the
/// frame.
void askPin(Document& document, std::optional<Spot> place, std::optional<int> step, QWidget* parent);

}  // namespace amber
