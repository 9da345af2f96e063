// How the frame in hand stands and what of it is shown: turned, set upright, stretched, cut.
#pragma once

#include "app/places/balance/bench_rows.h"
#include "core/frame/frame_balance.h"

#include <QWidget>

class QComboBox;
class QHBoxLayout;

namespace amber {

class FramingBench : public QWidget {
    Q_OBJECT

public:
    explicit FramingBench(QWidget* parent = nullptr);
    /// `ratio`: width / height of the untouched picture.
    void show(const FrameBalance& balance, double ratio, std::size_t chosen);
    void setCropping(bool on);
    void say(const QString& words);

signals:
    void edited(const FrameBalance& balance, const QString& action);
    void uprightWanted();
    void tiltWanted();
    void croppingWanted(bool on);
    void copyWanted();
    void resetWanted();  ///< the whole balance off this frame

private:
    void makeStand(QHBoxLayout* to);
    void makeCrop(QHBoxLayout* to);
    void makeIntent(QHBoxLayout* to);
    void edit(const QString& action, const std::function<void(FrameBalance&)>& change);
    void turn(const QString& action, const std::function<void(Geometry&)>& change);

    FrameBalance m_balance;
    double m_ratio = 1.5;
    NumberRow m_straighten, m_leanUp, m_leanAside, m_stretch, m_keyStops;
    QComboBox* m_shape;
    QPushButton *m_draw, *m_copy;
    QLabel* m_said;
    bool m_showing = false;
};

}  // namespace amber
