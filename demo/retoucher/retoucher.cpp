#include "demo/retoucher/retoucher.h"

#include "core/base/statistics.h"
#include "core/colour/difference.h"
#include "core/image/metadata.h"
#include "core/image/read.h"
#include "core/image/resize.h"
#include "core/image/write.h"

#include <algorithm>
#include <cmath>
#include <random>

namespace amber {
namespace {

/// The pixels of a file's own codes, 0..1, and which of them were changed by hand.
struct Canvas {
    Image codes;
    std::vector<char> touched;
    float* at(int x, int y) { return codes.mutableView().row(y) + std::ptrdiff_t{3} * x; }
    char& mark(int x, int y)
    {
        return touched[static_cast<std::size_t>(y) * codes.width() + static_cast<std::size_t>(x)];
    }
};

/// A round place is filled with what lies beside it, softly.
void heal(Canvas& canvas, std::mt19937& random)
{
    const int width = canvas.codes.width(), height = canvas.codes.height(), edge = std::max(width, height);
    const auto between = [&](int low, int high) {
        return std::uniform_int_distribution<int>(low, std::max(low, high))(random);
    };
    const int radius = std::max(3, between(edge / 300, edge / 120));
    const int x0 = between(3 * radius, width - 3 * radius - 1), y0 = between(radius, height - radius - 1),
              from = x0 + (x0 > width / 2 ? -2 * radius : 2 * radius);
    const Image before = canvas.codes;
    for (int dy = -radius; dy <= radius; ++dy)
        for (int dx = -radius; dx <= radius; ++dx) {
            const double far = std::hypot(dx, dy) / radius;
            const int x = x0 + dx, y = y0 + dy, sx = from + dx;
            if (far > 1 || x < 0 || y < 0 || x >= width || y >= height || sx < 0 || sx >= width)
                continue;
            const auto weight = static_cast<float>(std::min(1.0, 3 * (1 - far)));
            const float* source = before.view().row(y) + std::ptrdiff_t{3} * sx;
            for (int k = 0; k < 3; ++k)
                canvas.at(x, y)[k] += weight * (source[k] - canvas.at(x, y)[k]);
            canvas.mark(x, y) = 1;
        }
}

void paint(Canvas& canvas, double share, std::mt19937& random)
{
    const int width = canvas.codes.width(), height = canvas.codes.height();
    std::uniform_real_distribution<double> somewhere(0.3, 0.7);
    const double x0 = somewhere(random) * width, y0 = somewhere(random) * height,
                 radius = 0.12 * std::max(width, height);
    for (int y = 0; y < height; ++y)
        for (int x = 0; x < width; ++x) {
            const double far = std::hypot(x - x0, y - y0) / radius;
            if (far >= 1)
                continue;
            const auto by = static_cast<float>(1 + share * (1 - far * far) * (1 - far * far));
            for (int k = 0; k < 3; ++k)
                canvas.at(x, y)[k] = std::min(1.0f, canvas.at(x, y)[k] * by);
            canvas.mark(x, y) = 1;
        }
}

/// As a program does that reads one profile for another, or a slip of a slider.
void shift(Canvas& canvas, double amount)
{
    const float red = static_cast<float>(1 - 0.022 * amount), blue = static_cast<float>(1 + 0.028 * amount),
                lift = static_cast<float>(0.0028 * amount);
    for (int y = 0; y < canvas.codes.height(); ++y)
        for (int x = 0; x < canvas.codes.width(); ++x) {
            float* c = canvas.at(x, y);
            c[0] = std::pow(std::max(0.0f, c[0]), red);
            c[1] = std::min(1.0f, c[1] + lift * (1 - c[1]));
            c[2] = std::pow(std::max(0.0f, c[2]), blue);
        }
}

Image cut(const Image& from, const Region& part)
{
    const auto at = [](double share, int of) { return static_cast<int>(std::lround(share * of)); };
    const int left = at(part.left, from.width()), top = at(part.top, from.height());
    Image out(at(part.right, from.width()) - left, at(part.bottom, from.height()) - top);
    for (int y = 0; y < out.height(); ++y)
        std::copy_n(from.view().row(top + y) + std::ptrdiff_t{3} * left, std::ptrdiff_t{3} * out.width(),
                    out.mutableView().row(y));
    return out;
}

Image mirrored(const Image& from)
{
    Image out(from.width(), from.height());
    for (int y = 0; y < out.height(); ++y)
        for (int x = 0; x < out.width(); ++x)
            std::copy_n(from.view().row(y) + std::ptrdiff_t{3} * (out.width() - 1 - x), 3,
                        out.mutableView().row(y) + std::ptrdiff_t{3} * x);
    return out;
}

/// Codes of the file to Lab, by its own profile.
Result<std::vector<Lab>> labsOf(const Image& codes, const std::vector<std::uint8_t>& icc,
                                const std::vector<char>& touched)
{
    const auto profile = sourceProfile(icc, 3, 16);
    if (!profile)
        return tl::make_unexpected(profile.error());
    std::vector<Lab> labs;
    constexpr int kEvery = 7;
    for (std::size_t i = 0; i < touched.size(); i += kEvery) {
        if (touched[i])
            continue;
        std::uint16_t c[3];
        for (std::size_t k = 0; k < 3; ++k)
            c[k] =
                static_cast<std::uint16_t>(std::lround(std::clamp(codes.view().data[3 * i + k], 0.0f, 1.0f) * 65535));
        float rgb[3];
        profile->transform->convert(c, 3, 1, rgb);
        labs.push_back(toLab(LinearRgb{rgb[0], rgb[1], rgb[2]}));
    }
    return labs;
}

Status save(EncodedPicture out, Image codes, const std::filesystem::path& from, const std::filesystem::path& to,
            const RetouchEdits& edits)
{
    out.bits = edits.bits;
    out.image = edits.crop.isWhole() ? std::move(codes) : cut(codes, edits.crop);
    if (edits.mirror)
        out.image = mirrored(out.image);
    if (edits.scale < 1)
        out.image = reduceByArea(out.image.view(), static_cast<int>(std::lround(out.image.width() * edits.scale)),
                                 static_cast<int>(std::lround(out.image.height() * edits.scale)));
    out.alpha.clear();
    if (const Status written = writeEncoded(to, out); !written)
        return written;
    if (edits.withMetadata)
        if (const Status told = copyMetadata(from, to); !told)
            return told;
    return {};
}

}  // namespace

Result<RetouchTruth> retouch(const std::filesystem::path& from, const std::filesystem::path& to,
                             const RetouchEdits& edits)
{
    auto read = readEncoded(from);
    if (!read)
        return tl::make_unexpected(read.error());
    Canvas canvas{std::move(read->image), {}};
    canvas.touched.assign(static_cast<std::size_t>(canvas.codes.width()) * canvas.codes.height(), 0);
    std::mt19937 random(edits.seed);
    for (int i = 0; i < edits.heal; ++i)
        heal(canvas, random);
    if (edits.paint != 0)
        paint(canvas, edits.paint, random);
    RetouchTruth truth;
    truth.touched = static_cast<double>(std::count(canvas.touched.begin(), canvas.touched.end(), 1)) /
                    static_cast<double>(canvas.touched.size());
    if (edits.shift != 0) {
        const auto before = labsOf(canvas.codes, read->icc, canvas.touched);
        shift(canvas, edits.shift);
        const auto after = labsOf(canvas.codes, read->icc, canvas.touched);
        if (!before || !after)
            return fail("its profile cannot be read", from.string());
        for (std::size_t i = 0; i < before->size(); ++i)
            truth.shifted += ciede2000((*before)[i], (*after)[i]) / static_cast<double>(before->size());
    }
    if (const Status saved = save(std::move(*read), std::move(canvas.codes), from, to, edits); !saved)
        return tl::make_unexpected(saved.error());
    return truth;
}

}  // namespace amber
