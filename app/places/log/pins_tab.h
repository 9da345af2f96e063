// What is open: pins on places and steps, from the artist, the checks and the client.
#pragma once

#include "app/document/document.h"

#include <QWidget>

class QCheckBox;
class QLabel;
class QPushButton;

namespace amber {

class PinList;

class PinsTab : public QWidget {
    Q_OBJECT

public:
    explicit PinsTab(Document& document, QWidget* parent = nullptr);

signals:
    /// The place or step of a pin is to be seen.
    void wanted(PinId pin);
    void pinWanted();  ///< a new one, on the picture

private:
    void refresh();

    Document& m_document;
    PinList* m_list;
    QCheckBox* m_all;
    QLabel* m_words;
    QPushButton *m_show, *m_remove, *m_add;
};

}  // namespace amber
