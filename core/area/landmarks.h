// Places of a picture that are known again in another of the same things, whatever their exposure.
#pragma once

#include "core/image/image.h"

#include <memory>
#include <vector>

namespace amber {

struct LandmarkData;
/// Made once per picture; some 400 kB. Null for one that is too small or even.
using Landmarks = std::shared_ptr<const LandmarkData>;

/// Scale-invariant features (D. Lowe, IJCV 60(2), 2004) of log light, its mean and spread levelled over about a
/// twenty-fifth of the width; their descriptions as roots (R. Arandjelovic, A. Zisserman, CVPR 2012). Best from 1000
/// pixels across.
Landmarks landmarksOf(ImageView picture);

/// The same place in two pictures, as shares of each one's width.
struct LandmarkPair {
    float fromX, fromY, toX, toY;
};
/// Landmarks of both that are alike, and clearly less like any other.
std::vector<LandmarkPair> pairsOf(const Landmarks& from, const Landmarks& to);

}  // namespace amber
