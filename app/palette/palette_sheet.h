// The palette test: a picture of a room, of cloth or props through the look in hand, with what lands in its colour plan
// and what fights it, before the shoot.
#pragma once

#include "app/document/document.h"
#include "app/render/render_queue.h"
#include "core/analysis/palette_test.h"

#include <QDialog>
#include <functional>

class QLabel;

namespace amber {

class PictureView;

/// Colours as swatches, before and after, each with its words; the heaviest first.
class SwatchList : public QWidget {
    Q_OBJECT

public:
    explicit SwatchList(QWidget* parent = nullptr) : QWidget(parent) { setMinimumHeight(40); }
    void show(const std::vector<PaletteColour>& colours);
    QSize sizeHint() const override { return {300, std::max(1, static_cast<int>(m_rows.size())) * kRow}; }
    QStringList words() const;

protected:
    void paintEvent(QPaintEvent*) override;

private:
    static constexpr int kRow = 30;
    struct Row {
        QColor before, after;
        QString words;
    };
    std::vector<Row> m_rows;
};

class PaletteSheet : public QDialog {
    Q_OBJECT

public:
    /// `own`: frames as they enter the look, small; asked when the look has no plan of its own.
    PaletteSheet(Document& document, RenderQueue& queue, std::function<std::vector<Image>()> own,
                 QWidget* parent = nullptr);
    void open(const QString& path);
    const std::optional<PaletteTest>& test() const { return m_test; }
    bool isTesting() const { return m_isTesting; }

protected:
    void dragEnterEvent(QDragEnterEvent* event) override;
    void dropEvent(QDropEvent* event) override;

private:
    void nameParts();
    QWidget* makeSide();
    void renew();
    struct Made;
    void put(const Made& made);

    Document& m_document;
    std::function<std::vector<Image>()> m_own;
    RenderSlot* m_slot;
    QString m_path;
    std::optional<PaletteTest> m_test;
    PictureView *m_before, *m_after;
    QLabel *m_words, *m_plan;
    SwatchList *m_lands, *m_fights, *m_quiet;
    std::uint64_t m_number = 0;
    bool m_isTesting = false;
};

}  // namespace amber
