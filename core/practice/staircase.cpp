#include "core/practice/staircase.h"

#include <algorithm>
#include <cmath>

namespace amber {

Staircase::Staircase(double start, double spread, double least, double most, double guess)
    : m_low(std::log10(least) - 0.5), m_high(std::log10(most) + 0.5), m_guess(guess), m_least(least), m_most(most)
{
    double sum = 0;
    for (int i = 0; i < kCells; ++i) {
        const double z = (at(i) - std::log10(start)) / spread;
        sum += m_belief[static_cast<std::size_t>(i)] = std::exp(-z * z / 2);
    }
    for (double& belief : m_belief)
        belief /= sum;
}

double Staircase::rightAt(double level, double threshold, double guess)
{
    const double most = 1 - guess - kSlip;
    const double k = -std::log(1 - (kAim - guess) / most);
    const double strength = std::pow(10, kSlope * (std::log10(level) - std::log10(threshold)));
    return guess + most * (1 - std::exp(-k * strength));
}

double Staircase::mean() const
{
    double mean = 0;
    for (int i = 0; i < kCells; ++i)
        mean += m_belief[static_cast<std::size_t>(i)] * at(i);
    return mean;
}

double Staircase::level() const { return std::clamp(threshold(), m_least, m_most); }

double Staircase::threshold() const { return std::pow(10, mean()); }

double Staircase::uncertainty() const
{
    const double middle = mean();
    double variance = 0;
    for (int i = 0; i < kCells; ++i)
        variance += m_belief[static_cast<std::size_t>(i)] * (at(i) - middle) * (at(i) - middle);
    return std::sqrt(variance);
}

void Staircase::answered(double level, bool isRight)
{
    double sum = 0;
    for (int i = 0; i < kCells; ++i) {
        const double right = rightAt(level, std::pow(10, at(i)), m_guess);
        sum += m_belief[static_cast<std::size_t>(i)] *= isRight ? right : 1 - right;
    }
    for (double& belief : m_belief)
        belief /= sum;
}

}  // namespace amber
