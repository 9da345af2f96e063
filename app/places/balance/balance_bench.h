// The numbers of one frame's balance: light, ends, how it stands, and what of it is locked or meant.
#pragma once

#include "app/words/words.h"
#include "core/frame/frame_balance.h"

#include <QWidget>
#include <functional>

class QCheckBox;
class QComboBox;
class QDoubleSpinBox;
class QGridLayout;
class QPushButton;

namespace amber {

class BalanceBench : public QWidget {
    Q_OBJECT

public:
    explicit BalanceBench(QWidget* parent = nullptr);
    /// `ratio`: width / height of the untouched picture.
    void show(const FrameBalance& balance, double ratio);

signals:
    /// The artist changed something; `action` names it. What was set by hand is locked in `balance`.
    void edited(const FrameBalance& balance, const QString& action);
    void tiltWanted();
    void endsWanted();
    void resetWanted();

private:
    QGridLayout* column(const QString& title);
    void row(QGridLayout* grid, const QString& words, QWidget* control, QWidget* beside = nullptr);
    QCheckBox* lock(const char* name, const QString& tip);
    QPushButton* button(const char* name, const QString& words, const QString& tip, void (BalanceBench::*wanted)());
    void makeIntent();
    void makeFraming();
    void makeEnds();
    void makeLight();
    void follow(QDoubleSpinBox* box, const QString& action, std::function<void(FrameBalance&, double)> change);
    void followNumbers();
    void followFraming();
    QDoubleSpinBox* number(const char* name, const QString& words, const QString& tip, double low, double high,
                           double step, int decimals);
    void edit(const QString& action, const std::function<void(FrameBalance&)>& change);

    FrameBalance m_balance;
    double m_ratio = 1.5;
    QDoubleSpinBox *m_stops, *m_kelvin, *m_tint, *m_black, *m_white, *m_straighten, *m_leanUp, *m_leanAside,
        *m_keyStops;
    QComboBox* m_shape;
    QCheckBox *m_lockExposure, *m_lockWhite, *m_lockEnds;
    bool m_showing = false;
};

}  // namespace amber
