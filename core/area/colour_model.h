// What colours a thing has, apart from the light on it. Only for the room's own code.
#pragma once

#include <array>
#include <opencv2/core.hpp>
#include <vector>

namespace amber {

/// Shares of pixels by OKLab a / L, b / L and L, in even bins, blurred; sums to 1 (or 0 without pixels). An exposure
/// leaves the first two as they are and moves the third.
class ColourModel {
public:
    ColourModel();
    /// The pixels of `lab` where `mask` is set, their lightness multiplied.
    ColourModel(const cv::Mat& lab, const cv::Mat& mask, double light = 1);
    /// Several as one, each of the same weight.
    static ColourModel meanOf(const std::vector<ColourModel>& models);
    /// The share of a colour's bin.
    float of(const cv::Vec3f& lab, double light = 1) const;
    /// Bhattacharyya's coefficient, 0..1.
    double likeness(const ColourModel& other) const;
    /// What both have in common, 0..1: the sum of the smaller shares.
    double common(const ColourModel& other) const;

private:
    static constexpr int kColours = 32, kTones = 12;
    static int binOf(const cv::Vec3f& lab, double light);
    void blur();
    std::vector<float> m_shares;
};

}  // namespace amber
