// What is sent out to be retouched: which frames, how much of their looks, what is to be done.
#pragma once

#include "app/document/document.h"
#include "core/retouch/send.h"

#include <QDialog>

class QComboBox;
class QDoubleSpinBox;
class QLabel;
class QLayout;
class QLineEdit;
class QPlainTextEdit;
class QPushButton;

namespace amber {

class SendDialog : public QDialog {
    Q_OBJECT

public:
    SendDialog(Document& document, const QString& folder, QWidget* parent);
    SendChoices choices() const;
    QString folder() const;

private:
    QLayout* makeForm();
    void fillSteps();
    void refresh();
    std::vector<FrameId> frames() const;

    Document& m_document;
    QComboBox *m_which, *m_steps;
    QPlainTextEdit* m_note;
    QDoubleSpinBox* m_minutes;
    QLineEdit* m_folder;
    QLabel* m_words;
    QPushButton* m_send;
};

}  // namespace amber
