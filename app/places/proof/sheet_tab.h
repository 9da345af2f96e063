// Proof, contact sheet: every frame of the shoot on pages, as they will be handed over, live; saved as PDF or JPEG.
#pragma once

#include "app/document/document.h"
#include "app/render/proxy_store.h"
#include "app/task/task.h"
#include "core/report/job_report.h"

#include <QWidget>

class QCheckBox;
class QComboBox;
class QLabel;
class QPushButton;
class QSpinBox;
class QTimer;

namespace amber {

class PictureView;

class SheetTab : public QWidget {
    Q_OBJECT

public:
    SheetTab(Document& document, ProxyStore& proxies, QWidget* parent = nullptr);

    Task& task() { return *m_task; }
    PictureView& view() { return *m_view; }
    int pages() const { return m_pages; }
    int page() const { return m_page; }
    void go(int page);
    /// By the ending of its name; in the background.
    void save(const QString& path);
    bool isAtRest() const { return !m_slot->isBusy(); }

protected:
    void showEvent(QShowEvent*) override;

private:
    void makeChoices();
    void makeButtons();
    QLayout* makeHeader();
    void askSave();
    void renew();
    void render();
    void refresh();
    ContactSheet sheetOf(const JobToReport& job, std::vector<std::size_t>& frames) const;

    Document& m_document;
    ProxyStore& m_proxies;
    Task* m_task;
    RenderSlot* m_slot;
    QTimer* m_again;
    PictureView* m_view;
    QComboBox *m_order, *m_paper;
    QSpinBox* m_columns;
    QCheckBox *m_names, *m_landscape;
    QPushButton *m_before, *m_previous, *m_next, *m_save;
    QLabel *m_title, *m_where;
    int m_page = 0, m_pages = 0;
    std::uint64_t m_number = 0;
};

}  // namespace amber
