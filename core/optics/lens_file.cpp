#include "core/optics/lens_file.h"

#include "core/base/long_call.h"

#include <Eigen/Dense>
#include <algorithm>
#include <cmath>
#include <lensfun/lensfun.h>
#include <mutex>

namespace amber {
namespace fs = std::filesystem;
namespace {

/// The library's databases are not for several threads.
std::mutex& databaseMutex()
{
    static std::mutex mutex;
    return mutex;
}

lfDatabase& installed()
{
    static lfDatabase database;
    static const bool loaded = database.Load() == LF_NO_ERROR;
    (void)loaded;
    return database;
}

void loadFolder(lfDatabase& database, const fs::path& folder)
{
    std::error_code error;
    for (fs::directory_iterator at(folder, error), end; !error && at != end; at.increment(error))
        if (at->path().extension() == ".xml" && at->is_regular_file(error))
            database.Load(at->path().c_str());
}

struct Match {
    const lfLens* lens = nullptr;
    float crop = 1;
};

bool fits(const lfLens& lens, const LensFacts& facts)
{
    constexpr double kSlack = 0.05;  // focal lengths are rounded in files
    return facts.focalLength <= 0 || (facts.focalLength >= lens.MinFocal * (1 - kSlack) &&
                                      facts.focalLength <= std::max(lens.MinFocal, lens.MaxFocal) * (1 + kSlack));
}

std::optional<Match> lookUp(const lfDatabase& database, const LensFacts& facts)
{
    const lfCamera** cameras =
        database.FindCamerasExt(facts.maker.empty() ? nullptr : facts.maker.c_str(), facts.camera.c_str());
    const lfCamera* camera = cameras ? cameras[0] : nullptr;
    lf_free(cameras);
    if (!camera)
        return std::nullopt;
    const lfLens** lenses = database.FindLenses(camera, nullptr, facts.lens.empty() ? nullptr : facts.lens.c_str());
    std::optional<Match> found;
    int count = 0;
    for (int i = 0; lenses && lenses[i]; ++i, ++count)
        if (!found && fits(*lenses[i], facts))
            found = Match{lenses[i], camera->CropFactor};
    lf_free(lenses);
    // Without a name only a lens that cannot be taken off is the one.
    return !facts.lens.empty() || count == 1 ? found : std::nullopt;
}

/// c0 + c1 r + ... by least squares, through values at lengths from 0 to 1.
template <std::size_t N>
std::array<double, N> leastSquaresOf(const std::vector<double>& lengths, const std::vector<double>& values, int step,
                                     bool free)
{
    // `free`: the constant is found too; otherwise it is 1 and the powers are step, 2 step, ...
    const auto rows = static_cast<Eigen::Index>(lengths.size());
    Eigen::MatrixXd a(rows, static_cast<Eigen::Index>(N));
    Eigen::VectorXd b(rows);
    for (Eigen::Index i = 0; i < rows; ++i) {
        const double r = lengths[static_cast<std::size_t>(i)];
        for (std::size_t k = 0; k < N; ++k)
            a(i, static_cast<Eigen::Index>(k)) =
                std::pow(r, free ? static_cast<int>(k) : step * static_cast<int>(k + 1));
        b(i) = values[static_cast<std::size_t>(i)] - (free ? 0 : 1);
    }
    const Eigen::VectorXd x = a.colPivHouseholderQr().solve(b);
    std::array<double, N> c{};
    for (std::size_t k = 0; k < N; ++k)
        c[k] = x(static_cast<Eigen::Index>(k));
    return c;
}

std::string nameOf(const lfLens& lens)
{
    const std::string maker = lens.Maker ? lf_mlstr_get(lens.Maker) : "",
                      model = lens.Model ? lf_mlstr_get(lens.Model) : "";
    return maker.empty() || model.starts_with(maker) ? model : maker + " " + model;
}

/// Reads the library's own maps along the way from the middle to a corner.
FoundLens readMaps(const Match& match, const LensFacts& facts)
{
    constexpr int kSteps = 64;
    constexpr float kFar = 1000;  // metres: what most things are as good as at
    const float focal = static_cast<float>(facts.focalLength > 0 ? facts.focalLength : match.lens->MinFocal),
                aperture = static_cast<float>(facts.aperture > 0 ? facts.aperture : match.lens->MinAperture);
    lfModifier modifier(match.lens, match.crop, facts.width, facts.height);
    const int has = modifier.Initialize(match.lens, LF_PF_F32, focal, aperture, kFar, 1.0F, match.lens->Type,
                                        LF_MODIFY_DISTORTION | LF_MODIFY_TCA | LF_MODIFY_VIGNETTING, false);
    FoundLens found;
    found.lens.name = nameOf(*match.lens);
    found.hasBow = has & LF_MODIFY_DISTORTION, found.hasFringes = has & LF_MODIFY_TCA;
    found.hasFalloff = has & LF_MODIFY_VIGNETTING;
    const double cx = (facts.width - 1) / 2.0, cy = (facts.height - 1) / 2.0,
                 half = std::hypot(facts.width, facts.height) / 2;
    std::vector<double> lengths, thrown, bow, red, blue, left;
    for (double t = 1.0 / kSteps; t <= 1.0; t += 1.0 / kSteps) {
        const auto x = static_cast<float>(cx + t * facts.width / 2), y = static_cast<float>(cy + t * facts.height / 2);
        float at[6] = {x, y, x, y, x, y};
        if (found.hasBow || found.hasFringes)
            modifier.ApplySubpixelGeometryDistortion(x, y, 1, 1, at);
        const auto length = [&](int k) { return std::hypot(at[2 * k] - cx, at[2 * k + 1] - cy) / half; };
        const double here = std::hypot(x - cx, y - cy) / half, green = length(1);
        float gain[3] = {1, 1, 1};
        if (found.hasFalloff)
            modifier.ApplyColorModification(gain, x, y, 1, 1, LF_CR_3(RED, GREEN, BLUE), 0);
        lengths.push_back(here), thrown.push_back(green), bow.push_back(green / here);
        red.push_back(length(0) / green), blue.push_back(length(2) / green);
        left.push_back(1 / std::max(0.05F, gain[1]));
    }
    if (found.hasBow)
        found.lens.bow = leastSquaresOf<5>(lengths, bow, 1, true);
    if (found.hasFringes) {
        found.lens.red = leastSquaresOf<5>(thrown, red, 1, true);
        found.lens.blue = leastSquaresOf<5>(thrown, blue, 1, true);
    }
    if (found.hasFalloff)
        found.lens.dimming = leastSquaresOf<3>(lengths, left, 2, false);
    return found;
}

}  // namespace

std::optional<FoundLens> findLens(const LensFacts& facts, const std::vector<fs::path>& folders)
{
    longCall("findLens");
    if (facts.camera.empty() || facts.width < 2 || facts.height < 2)
        return std::nullopt;
    const std::lock_guard lock(databaseMutex());
    lfDatabase own;
    for (const fs::path& folder : folders)
        loadFolder(own, folder);
    for (const lfDatabase* database : {&own, &installed()})
        if (const auto match = lookUp(*database, facts))
            if (FoundLens found = readMaps(*match, facts); found.hasBow || found.hasFringes || found.hasFalloff)
                return found;
    return std::nullopt;
}

}  // namespace amber
