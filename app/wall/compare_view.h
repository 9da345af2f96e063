// Two versions of the look side by side on the frame in hand, with their measured difference.
#pragma once

#include "app/wall/wall.h"
#include "core/measure/difference_map.h"

class QCheckBox;
class QComboBox;
class QTimer;
class QLabel;

namespace amber {

class CompareView : public QWidget {
    Q_OBJECT

public:
    CompareView(Document& document, Wall& wall, QWidget* parent = nullptr);
    /// Fills the lists with the pinned versions and the look as it is now, and renders both sides.
    void refresh();
    /// The look as it is now beside a version that is not pinned.
    void showAgainst(const Look& look, const QString& title);
    /// Milliseconds between changes of the automatic flicker: never under 334, three changes a second.
    static constexpr int kFlickerDefault = 900, kFlickerLeast = 334;

signals:
    void closed();

protected:
    void resizeEvent(QResizeEvent*) override;
    void paintEvent(QPaintEvent*) override;
    void hideEvent(QHideEvent*) override;

public:
    bool isAtRest() const { return !m_slot->isBusy(); }

private:
    /// The right version in the place of the left one, or the left one again.
    void flip(bool isFlipped);
    void layOut(QWidget* close);
    void makeChecks();
    std::optional<Look> chosen(const QComboBox& box) const;
    std::optional<MapAspect> mapWanted() const;
    void render();

    Document& m_document;
    Wall& m_wall;
    QComboBox *m_leftChoice, *m_rightChoice;
    std::optional<std::pair<Look, QString>> m_against;
    QComboBox* m_map;
    QCheckBox *m_equal, *m_flicker;
    QTimer* m_flickerTimer;
    QImage m_leftImage, m_rightImage;
    bool m_flipped = false;
    PictureView *m_left, *m_right;
    QLabel* m_difference;
    RenderSlot* m_slot;
};

}  // namespace amber
