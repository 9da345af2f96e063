// What the lens and the sensor did to the frame in hand: the lens that a file knows, bow, fringes, falloff, noise.
#pragma once

#include "app/places/balance/bench_rows.h"
#include "core/frame/frame_balance.h"

#include <QWidget>

namespace amber {

class LensBench : public QWidget {
    Q_OBJECT

public:
    explicit LensBench(QWidget* parent = nullptr);
    void show(const FrameBalance& balance, std::size_t chosen);
    /// What was found, or why nothing was.
    void sayLens(const QString& words) { m_lens->setText(words), m_lens->setToolTip(words); }
    void sayFringes(const QString& words)
    {
        m_fringes->setText(words), m_fringes->setToolTip(words);
        m_fringes->setVisible(!words.isEmpty());
    }
    void sayNoise(const QString& words) { m_noiseSaid->setText(words), m_noiseSaid->setToolTip(words); }
    void setDrawing(bool on, int lines);

signals:
    void edited(const FrameBalance& balance, const QString& action);
    void lensWanted();
    void drawingWanted(bool on);
    void fringesWanted();
    void falloffWanted();
    void noiseWanted();
    void noiseToAllWanted();
    void copyWanted();

private:
    void edit(const QString& action, const std::function<void(FrameBalance&)>& change);
    void makeLens(QGridLayout* grid);
    void makeRest(QGridLayout* grid);

    FrameBalance m_balance;
    NumberRow m_bow, m_red, m_blue, m_falloff, m_noise;
    QCheckBox* m_use;
    QLabel *m_lens, *m_fringes, *m_noiseSaid;
    QPushButton *m_draw, *m_copy;
    bool m_showing = false;
};

}  // namespace amber
