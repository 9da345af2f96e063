// This file is compiled once per SIMD target by Highway's foreach_target.
#include "core/image/simd_rows.h"

#include "core/colour/gamut.h"
#include "core/colour/oklab.h"
#include "core/colour/transfer_kernel.h"

#include <algorithm>
#include <bit>
#include <cmath>
#include <vector>

#undef HWY_TARGET_INCLUDE
#define HWY_TARGET_INCLUDE "core/image/simd_rows.cpp"
#include <hwy/foreach_target.h>  // must come before highway.h
#include <hwy/highway.h>

#ifndef AMBER_GAMUT_MATRICES
#define AMBER_GAMUT_MATRICES
namespace amber {
/// Of one output space, in float: its components to cone responses and back, and both matrices of OKLab.
struct GamutMatrices {
    float ownToLms[3][3], lmsToOwn[3][3], toLab[3][3], fromLab[3][3];
    explicit GamutMatrices(RgbSpace space)
    {
        const auto copy = [](float(&to)[3][3], const Matrix3& from) {
            for (int i = 0; i < 3; ++i)
                for (int j = 0; j < 3; ++j)
                    to[i][j] = static_cast<float>(from.m[i][j]);
        };
        copy(ownToLms, workingToLms() * toWorking(space)), copy(lmsToOwn, fromWorking(space) * lmsToWorking());
        copy(toLab, lmsRootToOkLab()), copy(fromLab, okLabToLmsRoot());
    }
};
/// Codes of eight bits by the bits of a component: an entry for each 256th part of an octave from 2^-21 to 1, in each
/// of which at most one code gives way to the next. An entry is the bits of the float at which it does, the last eight
/// of them replaced by the lower code: a component's code is that, and one more from there on. To within 0.502 of a
/// code.
class ByteCodes {
public:
    static constexpr std::int32_t kLeast = (127 - 21) << 23, kShift = 15;
    explicit ByteCodes(RgbSpace space)
    {
        for (std::int32_t low = kLeast; low <= std::bit_cast<std::int32_t>(1.0f); low += 1 << kShift) {
            const double code = std::floor(encodeComponent(space, std::bit_cast<float>(low)) * 255 + 0.5);
            const auto turn = static_cast<float>(decodeComponent(space, (code + 0.5) / 255));
            const std::int32_t bits = std::min(std::bit_cast<std::int32_t>(turn), low + (1 << kShift));
            m_entries.push_back((bits & ~255) | static_cast<std::int32_t>(code));
        }
    }
    /// For the bits of a component from 2^-21 to 1: (bits - kLeast) >> kShift.
    const std::int32_t* entries() const { return m_entries.data(); }

private:
    std::vector<std::int32_t> m_entries;
};
inline const ByteCodes& byteCodes(RgbSpace space)
{
    static const ByteCodes all[] = {ByteCodes(RgbSpace::Srgb),    ByteCodes(RgbSpace::DisplayP3),
                                    ByteCodes(RgbSpace::OpRgb),   ByteCodes(RgbSpace::ProPhoto),
                                    ByteCodes(RgbSpace::Rec2020), ByteCodes(RgbSpace::Linear)};
    return all[static_cast<std::size_t>(space)];
}
inline const GamutMatrices& gamutMatrices(RgbSpace space)
{
    static const GamutMatrices all[] = {GamutMatrices(RgbSpace::Srgb),    GamutMatrices(RgbSpace::DisplayP3),
                                        GamutMatrices(RgbSpace::OpRgb),   GamutMatrices(RgbSpace::ProPhoto),
                                        GamutMatrices(RgbSpace::Rec2020), GamutMatrices(RgbSpace::Linear)};
    return all[static_cast<std::size_t>(space)];
}
}  // namespace amber
#endif

HWY_BEFORE_NAMESPACE();
namespace amber {
namespace HWY_NAMESPACE {
namespace hn = hwy::HWY_NAMESPACE;
}  // namespace HWY_NAMESPACE
#include "core/base/simd_math-inl.h"
#include "core/colour/transfer-inl.h"
namespace HWY_NAMESPACE {

using D = hn::ScalableTag<float>;
using DI = hn::RebindToSigned<D>;
using V = hn::Vec<D>;

HWY_INLINE void Multiply(const float (&m)[3][3], const V (&in)[3], V (&out)[3])
{
    const D d;
    for (int k = 0; k < 3; ++k)
        out[k] = hn::MulAdd(hn::Set(d, m[k][0]), in[0],
                            hn::MulAdd(hn::Set(d, m[k][1]), in[1], hn::Mul(hn::Set(d, m[k][2]), in[2])));
}

/// Curves are looked up one by one: machines that gather vectors from memory do it no faster, and many of them much
/// slower.
void LinearRow16(const std::uint16_t* codes, const float* const (&curves)[3], const float (&matrix)[3][3], size_t count,
                 float* rgb)
{
    const D d;
    const size_t lanes = hn::Lanes(d);
    HWY_ALIGN float channel[3][HWY_MAX_BYTES / sizeof(float)] = {};
    for (size_t i = 0; i < count; i += lanes) {
        const size_t here = std::min(lanes, count - i);
        const std::uint16_t* from = codes + 3 * i;
        for (size_t n = 0; n < here; ++n, from += 3)
            for (int k = 0; k < 3; ++k)
                channel[k][n] = curves[k][from[k]];
        V in[3], out[3];
        for (int k = 0; k < 3; ++k)
            in[k] = hn::Load(d, channel[k]);
        Multiply(matrix, in, out);
        if (here == lanes) {
            hn::StoreInterleaved3(out[0], out[1], out[2], d, rgb + 3 * i);
        } else {
            HWY_ALIGN float rest[3 * HWY_MAX_BYTES / sizeof(float)];
            hn::StoreInterleaved3(out[0], out[1], out[2], d, rest);
            std::copy_n(rest, 3 * here, rgb + 3 * i);
        }
    }
}

/// Along the line from the grey of this lightness, cone roots are L + t q, so components are cubics in t.
struct ChromaLine {
    V c[3][4];  ///< of each component, by powers of t

    HWY_INLINE V At(int k, V t) const
    {
        return hn::MulAdd(hn::MulAdd(hn::MulAdd(c[k][3], t, c[k][2]), t, c[k][1]), t, c[k][0]);
    }
    HWY_INLINE hn::Mask<D> Outside(V t, V low, V high) const
    {
        const V r = At(0, t), g = At(1, t), b = At(2, t);
        return hn::Or(hn::Lt(hn::Min(hn::Min(r, g), b), low), hn::Gt(hn::Max(hn::Max(r, g), b), high));
    }
};

HWY_INLINE ChromaLine LineOf(const GamutMatrices& m, const V (&own)[3])
{
    const D d;
    const V zero = hn::Zero(d), one = hn::Set(d, 1.0f), three = hn::Set(d, 3.0f);
    V cones[3], lab[3], colour[3];
    Multiply(m.ownToLms, own, cones);
    CubeRoots(d, cones);
    Multiply(m.toLab, cones, lab);
    const V L = hn::Min(hn::Max(lab[0], zero), one), chroma[3] = {zero, lab[1], lab[2]};
    Multiply(m.fromLab, chroma, colour);
    ChromaLine line;
    for (int k = 0; k < 3; ++k)
        for (int n = 0; n < 4; ++n)
            line.c[k][n] = zero;
    for (int j = 0; j < 3; ++j) {
        const V p = L, q = colour[j], pp = hn::Mul(p, p), qq = hn::Mul(q, q);
        const V terms[4] = {hn::Mul(pp, p), hn::Mul(three, hn::Mul(pp, q)), hn::Mul(three, hn::Mul(p, qq)),
                            hn::Mul(qq, q)};
        for (int k = 0; k < 3; ++k)
            for (int n = 0; n < 4; ++n)
                line.c[k][n] = hn::MulAdd(hn::Set(d, m.lmsToOwn[k][j]), terms[n], line.c[k][n]);
    }
    return line;
}

/// The stretch of t in which the line first leaves the gamut: eight equal parts, then halves.
HWY_INLINE void FirstWayOut(const ChromaLine& line, V low, V high, V& begin, V& end)
{
    const D d;
    const V zero = hn::Zero(d), one = hn::Set(d, 1.0f);
    begin = zero, end = one;
    auto found = line.Outside(zero, low, high);
    found = hn::Xor(found, found);
    for (int i = 1; i <= 8; ++i) {
        const V t = hn::Set(d, static_cast<float>(i) / 8);
        const auto first = hn::AndNot(found, line.Outside(t, low, high));
        begin = hn::IfThenElse(first, hn::Set(d, static_cast<float>(i - 1) / 8), begin);
        end = hn::IfThenElse(first, t, end);
        found = hn::Or(found, first);
    }
    begin = hn::IfThenElse(found, begin, one);
    for (int i = 0; i < 11; ++i) {
        const V middle = hn::Mul(hn::Add(begin, end), hn::Set(d, 0.5f));
        const auto out = line.Outside(middle, low, high);
        end = hn::IfThenElse(out, middle, end);
        begin = hn::IfThenElse(out, begin, middle);
    }
}

/// reduceToGamut for vectors whose components are finite: the share of chroma at which the boundary is first reached is
/// found among eight equal steps, then by halving, at last by a straight line: to about 1e-6.
HWY_INLINE void Reduce(const GamutMatrices& m, V (&own)[3])
{
    const D d;
    const V zero = hn::Zero(d), one = hn::Set(d, 1.0f), low = hn::Set(d, -static_cast<float>(kGamutTolerance)),
            high = hn::Set(d, 1 + static_cast<float>(kGamutTolerance));
    const ChromaLine line = LineOf(m, own);
    V begin, end;
    FirstWayOut(line, low, high, begin, end);
    // In what is left the cubics are straight lines.
    V part = one;
    for (int k = 0; k < 3; ++k) {
        const V from = line.At(k, begin), to = line.At(k, end);
        const V way = hn::IfThenElse(hn::Lt(to, low), hn::Sub(from, low),
                                     hn::IfThenElse(hn::Gt(to, high), hn::Sub(high, from), hn::Abs(hn::Sub(to, from))));
        part = hn::Min(part, hn::Mul(way, Reciprocal(d, hn::Max(hn::Abs(hn::Sub(to, from)), hn::Set(d, 1e-12f)))));
    }
    begin = hn::MulAdd(hn::Max(part, zero), hn::Sub(end, begin), begin);
    for (int k = 0; k < 3; ++k)
        own[k] = hn::Min(hn::Max(line.At(k, begin), zero), one);
}

HWY_INLINE hn::Mask<D> InGamut(const V (&own)[3])
{
    const D d;
    const V least = hn::Min(hn::Min(own[0], own[1]), own[2]), most = hn::Max(hn::Max(own[0], own[1]), own[2]);
    return hn::And(hn::Ge(least, hn::Set(d, -static_cast<float>(kGamutTolerance))),
                   hn::Le(most, hn::Set(d, 1 + static_cast<float>(kGamutTolerance))));
}

/// From components of light to codes, of one space.
template <class Code>
struct Coder;

template <>
struct Coder<std::uint8_t> {
    const ByteCodes& codes;
    explicit Coder(RgbSpace space) : codes(byteCodes(space)) {}

    HWY_INLINE void Put(const V (&own)[3], std::uint8_t* to) const
    {
        const D d;
        const DI di;
        const hn::Rebind<std::uint8_t, D> dc;
        hn::Vec<decltype(dc)> out[3];
        for (int k = 0; k < 3; ++k) {
            const auto least = hn::Set(di, ByteCodes::kLeast);
            const auto bits = hn::Max(hn::BitCast(di, hn::Min(hn::Max(own[k], hn::Zero(d)), hn::Set(d, 1.0f))), least);
            const auto entry =
                hn::GatherIndex(di, codes.entries(), hn::ShiftRight<ByteCodes::kShift>(hn::Sub(bits, least)));
            const auto before = hn::VecFromMask(di, hn::Gt(entry, bits));  // -1 where it is
            out[k] = hn::DemoteTo(dc, hn::Add(hn::And(entry, hn::Set(di, 255)), hn::Add(hn::Set(di, 1), before)));
        }
        hn::StoreInterleaved3(out[0], out[1], out[2], dc, to);
    }
};

template <>
struct Coder<std::uint16_t> {
    TransferKernel transfer;
    explicit Coder(RgbSpace space) : transfer(space) {}

    HWY_INLINE void Put(const V (&own)[3], std::uint16_t* to) const
    {
        const D d;
        const hn::Rebind<std::uint16_t, D> dc;
        hn::Vec<decltype(dc)> out[3];
        for (int k = 0; k < 3; ++k) {
            const V share = Encode(d, transfer, hn::Min(hn::Max(own[k], hn::Zero(d)), hn::Set(d, 1.0f)));
            out[k] = hn::DemoteTo(dc, hn::ConvertTo(DI(), hn::MulAdd(share, hn::Set(d, 65535.0f), hn::Set(d, 0.5f))));
        }
        hn::StoreInterleaved3(out[0], out[1], out[2], dc, to);
    }
};

/// Colours of a run of pixels that lie outside the gamut, closed up: few of a vector's pixels do, and to reduce those
/// of every vector would be to reduce nearly all.
struct Outside {
    static constexpr size_t kRun = 512;
    HWY_ALIGN float own[3][kRun + HWY_MAX_BYTES / sizeof(float)];
    HWY_ALIGN std::int32_t at[kRun + HWY_MAX_BYTES / sizeof(float)];
    size_t count = 0;

    HWY_INLINE void Take(const V (&colours)[3], hn::Mask<D> outside, size_t first)
    {
        const D d;
        const DI di;
        for (int k = 0; k < 3; ++k)
            hn::CompressStore(hn::IfThenElseZero(hn::IsFinite(colours[k]), colours[k]), outside, d, own[k] + count);
        count += hn::CompressStore(hn::Iota(di, static_cast<std::int32_t>(first)), hn::RebindMask(di, outside), di,
                                   at + count);
    }
};

/// Reduces what was found and puts its codes in their places.
template <class Code>
HWY_INLINE void PutReduced(const GamutMatrices& gamut, const Coder<Code>& coder, Outside& outside, Code* codes)
{
    const D d;
    const size_t lanes = hn::Lanes(d);
    for (int k = 0; k < 3; ++k)
        std::fill_n(outside.own[k] + outside.count, lanes, 0.0f);
    for (size_t i = 0; i < outside.count; i += lanes) {
        V own[3];
        for (int k = 0; k < 3; ++k)
            own[k] = hn::LoadU(d, outside.own[k] + i);
        Reduce(gamut, own);
        Code each[3 * HWY_MAX_BYTES / sizeof(float)];
        coder.Put(own, each);
        for (size_t n = 0; n < std::min(lanes, outside.count - i); ++n)
            std::copy_n(each + 3 * n, 3, codes + 3 * static_cast<size_t>(outside.at[i + n]));
    }
    outside.count = 0;
}

/// At most Outside::kRun pixels.
template <class Code>
HWY_INLINE void CodesOfRun(const float* rgb, const GamutMatrices& gamut, const Coder<Code>& coder,
                           const float (&matrix)[3][3], size_t count, Code* codes)
{
    const D d;
    const size_t lanes = hn::Lanes(d);
    Outside outside;
    const auto change = [&](const float* from, size_t at, Code* to) HWY_ATTR __attribute__((always_inline))
    {
        V in[3], own[3];
        hn::LoadInterleaved3(d, from, in[0], in[1], in[2]);
        Multiply(matrix, in, own);
        const auto inside = InGamut(own);
        if (!hn::AllTrue(d, inside))
            outside.Take(own, hn::Not(inside), at);
        coder.Put(own, to);
    };
    size_t i = 0;
    for (; i + lanes <= count; i += lanes)
        change(rgb + 3 * i, i, codes + 3 * i);
    if (i < count) {
        float from[3 * HWY_MAX_BYTES / sizeof(float)] = {};
        Code to[3 * HWY_MAX_BYTES / sizeof(float)];
        std::copy_n(rgb + 3 * i, 3 * (count - i), from);
        change(from, i, to);
        std::copy_n(to, 3 * (count - i), codes + 3 * i);
    }
    if (outside.count > 0)
        PutReduced(gamut, coder, outside, codes);
}

template <class Code>
HWY_INLINE void CodesOfRowOf(const float* rgb, RgbSpace space, const float (&matrix)[3][3], size_t count, Code* codes)
{
    const GamutMatrices& gamut = gamutMatrices(space);
    const Coder<Code> coder(space);
    for (size_t i = 0; i < count; i += Outside::kRun)
        CodesOfRun(rgb + 3 * i, gamut, coder, matrix, std::min(Outside::kRun, count - i), codes + 3 * i);
}

void CodesOfRow8(const float* rgb, RgbSpace space, const float (&matrix)[3][3], size_t count, std::uint8_t* codes)
{
    CodesOfRowOf(rgb, space, matrix, count, codes);
}
void CodesOfRow16(const float* rgb, RgbSpace space, const float (&matrix)[3][3], size_t count, std::uint16_t* codes)
{
    CodesOfRowOf(rgb, space, matrix, count, codes);
}

}  // namespace HWY_NAMESPACE
}  // namespace amber
HWY_AFTER_NAMESPACE();

#if HWY_ONCE
namespace amber {
HWY_EXPORT(LinearRow16);
HWY_EXPORT(CodesOfRow8);
HWY_EXPORT(CodesOfRow16);

void linearRow(const std::uint16_t* codes, const float* const (&curves)[3], const float (&matrix)[3][3],
               std::size_t count, float* rgb)
{
    HWY_DYNAMIC_DISPATCH(LinearRow16)(codes, curves, matrix, count, rgb);
}
void codesOfRow(const float* rgb, RgbSpace space, const float (&matrix)[3][3], std::size_t count, std::uint8_t* codes)
{
    HWY_DYNAMIC_DISPATCH(CodesOfRow8)(rgb, space, matrix, count, codes);
}
void codesOfRow(const float* rgb, RgbSpace space, const float (&matrix)[3][3], std::size_t count, std::uint16_t* codes)
{
    HWY_DYNAMIC_DISPATCH(CodesOfRow16)(rgb, space, matrix, count, codes);
}

}  // namespace amber
#endif
