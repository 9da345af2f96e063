// The Hand over place: the look landed on the frames, as files.
#pragma once

#include "app/document/document.h"
#include "app/places/handover/delivery_model.h"
#include "app/places/handover/export_task.h"

#include <QWidget>

class QCheckBox;
class QComboBox;
class QGridLayout;
class QHBoxLayout;
class QLabel;
class QLineEdit;
class QProgressBar;
class QPushButton;
class QSpinBox;
class QTableView;

namespace amber {

class HandoverPlace : public QWidget {
    Q_OBJECT

public:
    HandoverPlace(Document& document, QWidget* parent = nullptr);
    ExportTask& task() { return *m_task; }
    DeliveryModel& deliveries() { return *m_model; }
    void setFolder(const QString& folder);

private:
    void addChoices(QGridLayout* form);
    QHBoxLayout* makeButtons();
    void makeTable();
    QWidget* makeForm();
    void refresh();
    void restoreChoices();
    DeliveryChoices chosen() const;
    QString summary() const;
    void start();
    std::vector<FrameId> wantedFrames() const;
    void begin(const Shipment& shipment, const DeliveryChoices& choices);
    void showProgress(int done, int total, double secondsLeft);
    void finish(const ExportReport& report, const QString& fault);

    Document& m_document;
    ExportTask* m_task;
    Task* m_seek;  ///< looks for cards in frames that are to go
    QCheckBox* m_withCard;
    DeliveryModel* m_model;
    QComboBox *m_which, *m_format, *m_space, *m_shape;
    QSpinBox *m_quality, *m_edge;
    QLineEdit* m_folder;
    QPushButton *m_start, *m_cancel;
    QProgressBar* m_progress;
    QLabel *m_state, *m_summary;
    QTableView* m_table;
    int m_leftOut = 0;  ///< of the last hand over, for the colour card
};

}  // namespace amber
