// The fast engine. This file is compiled once per SIMD target by Highway's foreach_target; each step's kernel comes
// from its folder.
#include "core/base/long_call.h"
#include "core/base/parallel.h"
#include "core/colour/oklab.h"
#include "core/engine/program.h"

#undef HWY_TARGET_INCLUDE
#define HWY_TARGET_INCLUDE "core/engine/fast_engine.cpp"
#include <hwy/foreach_target.h>  // must come before highway.h
#include <hwy/highway.h>

#include <cmath>
#include <memory>

#ifndef AMBER_TILE_PIXELS
#define AMBER_TILE_PIXELS
namespace amber {
/// Three planes of at most kPixels values; whole vectors are always processed, so planes are padded to the widest
/// vector.
struct Tile {
    static constexpr std::size_t kPixels = 1024;
    float* plane[3];
    std::size_t count;  ///< a multiple of the vector length
};
/// Instructions done in one pass over a picture; only the first can need what is prepared from the whole of it.
struct Pass {
    const RenderPlan::Program::Instruction* const* first;
    size_t count;
    const void* prepared;
    const RoleMasks* masks;
};
struct OkMatricesFloat {
    float toLms[3][3], toLab[3][3], fromLab[3][3], fromLms[3][3];
    OkMatricesFloat()
    {
        copyMatrix(toLms, workingToLms()), copyMatrix(toLab, lmsRootToOkLab()), copyMatrix(fromLab, okLabToLmsRoot()),
            copyMatrix(fromLms, lmsToWorking());
    }
};
inline const OkMatricesFloat kOk;
/// On lambdas: part of the loop they stand in, never called.
#define AMBER_INLINE HWY_ATTR __attribute__((always_inline))
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

/// Three components of a vector of pixels.
struct Pixels {
    hn::Vec<D> x, y, z;
};

HWY_INLINE Pixels Load(const Tile& tile, size_t i)
{
    return {hn::Load(D(), tile.plane[0] + i), hn::Load(D(), tile.plane[1] + i), hn::Load(D(), tile.plane[2] + i)};
}

HWY_INLINE void Store(const Pixels& p, Tile& tile, size_t i)
{
    hn::Store(p.x, D(), tile.plane[0] + i);
    hn::Store(p.y, D(), tile.plane[1] + i);
    hn::Store(p.z, D(), tile.plane[2] + i);
}

HWY_INLINE Pixels Multiplied(const float (&m)[3][3], const Pixels& p)
{
    const D d;
    const auto row = [&](const float(&r)[3]) AMBER_INLINE {
        return hn::MulAdd(hn::Set(d, r[0]), p.x, hn::MulAdd(hn::Set(d, r[1]), p.y, hn::Mul(hn::Set(d, r[2]), p.z)));
    };
    return {row(m[0]), row(m[1]), row(m[2])};
}

HWY_INLINE Pixels RootsOf(const Pixels& rgb)
{
    hn::Vec<D> v[3] = {rgb.x, rgb.y, rgb.z};
    CubeRoots(D(), v);
    return {v[0], v[1], v[2]};
}

HWY_INLINE Pixels OkLabOf(const Pixels& rgb) { return Multiplied(kOk.toLab, RootsOf(Multiplied(kOk.toLms, rgb))); }

HWY_INLINE Pixels RgbOf(const Pixels& lab)
{
    const Pixels roots = Multiplied(kOk.fromLab, lab);
    const auto cube = [](auto v) AMBER_INLINE { return hn::Mul(v, hn::Mul(v, v)); };
    return Multiplied(kOk.fromLms, {cube(roots.x), cube(roots.y), cube(roots.z)});
}

/// Does `change` to every vector of pixels of a tile.
template <class F>
HWY_INLINE void ForEach(Tile& tile, F&& change)
{
    for (size_t i = 0; i < tile.count; i += hn::Lanes(D()))
        Store(change(Load(tile, i)), tile, i);
}

HWY_INLINE void Multiply(Tile& tile, const float (&m)[3][3])
{
    ForEach(tile, [&](const Pixels& p) AMBER_INLINE { return Multiplied(m, p); });
}

HWY_INLINE Pixels CubesOf(const Pixels& roots)
{
    const auto cube = [](auto v) AMBER_INLINE { return hn::Mul(v, hn::Mul(v, v)); };
    return {cube(roots.x), cube(roots.y), cube(roots.z)};
}

/// Brings a tile from one space to another; nothing when it is there.
HWY_INLINE void Bring(Tile& tile, Domain& from, Domain to)
{
    const Domain now = from;
    from = to;
    if (now == to)
        return;
    if (now == Domain::Rgb && to == Domain::OkLab)
        return ForEach(tile, [](const Pixels& p) AMBER_INLINE { return OkLabOf(p); });
    if (now == Domain::OkLab && to == Domain::Rgb)
        return ForEach(tile, [](const Pixels& p) AMBER_INLINE { return RgbOf(p); });
    if (now == Domain::Rgb)
        return ForEach(tile, [](const Pixels& p) AMBER_INLINE { return RootsOf(p); });
    if (now == Domain::OkLab)
        return ForEach(tile, [](const Pixels& p) AMBER_INLINE { return RootsOf(RgbOf(p)); });
    if (to == Domain::OkLab)
        return ForEach(tile, [](const Pixels& p) AMBER_INLINE { return OkLabOf(CubesOf(p)); });
    ForEach(tile, [](const Pixels& p) AMBER_INLINE { return CubesOf(p); });
}

HWY_INLINE Pixels Limited(const Pixels& rgb, double most)
{
    const D d;
    const auto one = [&](auto v) AMBER_INLINE {
        const auto limit = hn::Set(d, static_cast<float>(most));
        return hn::Min(hn::Max(hn::IfThenElseZero(hn::IsFinite(v), v), hn::Neg(limit)), limit);
    };
    return {one(rgb.x), one(rgb.y), one(rgb.z)};
}

/// True when every component of every lane is smaller than `bound` in size; NaN is not.
HWY_INLINE bool AllWithin(const Pixels& p, float bound)
{
    const D d;
    const auto most = hn::Set(d, bound);
    return hn::AllTrue(
        d, hn::And(hn::And(hn::Lt(hn::Abs(p.x), most), hn::Lt(hn::Abs(p.y), most)), hn::Lt(hn::Abs(p.z), most)));
}

/// tile = before + share (tile - before).
HWY_INLINE void Blend(Tile& tile, const Tile& before, float share)
{
    const D d;
    const auto s = hn::Set(d, share);
    for (int k = 0; k < 3; ++k)
        for (size_t i = 0; i < tile.count; i += hn::Lanes(d)) {
            const auto p = hn::Load(d, before.plane[k] + i), q = hn::Load(d, tile.plane[k] + i);
            hn::Store(hn::MulAdd(s, hn::Sub(q, p), p), d, tile.plane[k] + i);
        }
}

}  // namespace HWY_NAMESPACE
#include "core/look/near_colours-inl.h"
namespace HWY_NAMESPACE {

/// The weight of a guard for colours in OKLab.
HWY_INLINE hn::Vec<D> WeightOf(const GuardKernel& g, const Pixels& lab)
{
    const D d;
    const auto one = hn::Set(d, 1.0f);
    const auto step = [&](auto v, const float(&range)[2]) AMBER_INLINE {
        return Smoothstep(d, hn::Mul(hn::Sub(v, hn::Set(d, range[0])), hn::Set(d, range[1])));
    };
    const auto within = [&](auto v, const float(&rise)[2], const float(&fall)[2])
                            AMBER_INLINE { return hn::Mul(step(v, rise), hn::Sub(one, step(v, fall))); };
    auto weight = one;
    if (g.tone)
        weight = within(lab.x, g.toneRise, g.toneFall);
    if (g.chroma || g.hue) {
        const auto c2 = hn::MulAdd(lab.y, lab.y, hn::Mul(lab.z, lab.z)), chroma = hn::Sqrt(c2);
        if (g.chroma)
            weight = hn::Mul(weight, within(chroma, g.chromaRise, g.chromaFall));
        if (g.hue) {
            const auto along = hn::MulAdd(lab.y, hn::Set(d, g.cosine), hn::Mul(lab.z, hn::Set(d, g.sine)));
            const auto cosine = hn::Div(along, hn::Max(chroma, hn::Set(d, 1e-15f)));
            const auto coloured =
                hn::Div(c2, hn::Add(c2, hn::Set(d, static_cast<float>(kGuardNeutral * kGuardNeutral))));
            weight = hn::Mul(weight, hn::Mul(step(cosine, g.hueRise), coloured));
        }
    }
    if (g.inverted)
        weight = hn::Sub(one, weight);
    for (const auto& shelter : g.shelters)
        weight = hn::Mul(weight, hn::NegMulAdd(hn::Set(d, shelter.amount), NearWeight(shelter.colours, lab), one));
    return weight;
}

/// tile = before + share weight (tile - before), both in OKLab, the guard's weight being that of `before`; times
/// `places` when there are any.
HWY_INLINE void BlendGuarded(Tile& tile, const Tile& before, float share, const GuardKernel& guard, const float* places)
{
    const D d;
    for (size_t i = 0; i < tile.count; i += hn::Lanes(d)) {
        const Pixels p = Load(before, i), q = Load(tile, i);
        const auto weight = guard.isOpen ? hn::Set(d, share) : hn::Mul(hn::Set(d, share), WeightOf(guard, p));
        const auto s = places ? hn::Mul(weight, hn::Load(d, places + i)) : weight;
        const auto blend = [&](auto from, auto to) AMBER_INLINE { return hn::MulAdd(s, hn::Sub(to, from), from); };
        Store({blend(p.x, q.x), blend(p.y, q.y), blend(p.z, q.z)}, tile, i);
    }
}

}  // namespace HWY_NAMESPACE
}  // namespace amber
namespace amber {
#include "core/look/steps/chroma/chroma-inl.h"
#include "core/look/steps/contrast/contrast-inl.h"
#include "core/look/steps/edge_darkening/edge_darkening-inl.h"
#include "core/look/steps/ends/ends-inl.h"
#include "core/look/steps/even_towards/even_towards-inl.h"
#include "core/look/steps/glow/glow-inl.h"
#include "core/look/steps/grain/grain-inl.h"
#include "core/look/steps/haze/haze-inl.h"
#include "core/look/steps/hue_shifts/hue_shifts-inl.h"
#include "core/look/steps/lightness_change-inl.h"
#include "core/look/steps/local_contrast/local_contrast-inl.h"
#include "core/look/steps/lookup_table/lookup_table-inl.h"
#include "core/look/steps/primaries/primaries-inl.h"
#include "core/look/steps/split_toning/split_toning-inl.h"
#include "core/look/steps/tone_bands/tone_bands-inl.h"
#include "core/look/steps/tone_curve/tone_curve-inl.h"
#include "core/look/steps/warmth/warmth-inl.h"
#include "core/look/steps/wash/wash-inl.h"
namespace HWY_NAMESPACE {

HWY_INLINE void Run(const NoKernel&, Tile&) {}

/// Colours with |L|, |a|, |b| below this lie within the working limit (the largest component is under 2800), so that a
/// step that leaves OKLab for one that takes OKLab need not go through RGB to be limited.
constexpr float kSurelyWithin = 6;
/// Cube root of the working limit.
constexpr double kRootLimit = 21.544346900318843;

/// Limits what a step leaves, in the space it leaves it in.
HWY_INLINE void Limit(Tile& tile, Domain domain)
{
    const D d;
    if (domain != Domain::OkLab) {
        const double most = domain == Domain::Rgb ? kWorkingLimit : kRootLimit;
        for (size_t i = 0; i < tile.count; i += hn::Lanes(d)) {
            const Pixels p = Load(tile, i);
            if (!AllWithin(p, static_cast<float>(most)))
                Store(Limited(p, most), tile, i);
        }
        return;
    }
    const auto bound = hn::Set(d, kSurelyWithin);
    for (size_t i = 0; i < tile.count; i += hn::Lanes(d)) {
        const Pixels lab = Load(tile, i);
        if (AllWithin(lab, kSurelyWithin))
            continue;
        const auto within = hn::And(hn::And(hn::Lt(hn::Abs(lab.x), bound), hn::Lt(hn::Abs(lab.y), bound)),
                                    hn::Lt(hn::Abs(lab.z), bound));
        const Pixels far = OkLabOf(Limited(RgbOf(lab), kWorkingLimit));
        Store({hn::IfThenElse(within, lab.x, far.x), hn::IfThenElse(within, lab.y, far.y),
               hn::IfThenElse(within, lab.z, far.z)},
              tile, i);
    }
}

/// A colour of the working space, limited, where a step wants it; and back.
HWY_INLINE Pixels Entering(const Pixels& p, Domain domain)
{
    return domain == Domain::Roots ? RootsOf(p) : domain == Domain::OkLab ? OkLabOf(p) : p;
}

HWY_INLINE Pixels Leaving(const Pixels& p, Domain domain)
{
    const Pixels rgb = domain == Domain::Roots ? CubesOf(p) : domain == Domain::OkLab ? RgbOf(p) : p;
    return AllWithin(rgb, static_cast<float>(kWorkingLimit)) ? rgb : Limited(rgb, kWorkingLimit);
}

/// What is read is brought to where the first step wants it on the way.
HWY_INLINE void ReadTile(Tile& tile, Domain domain, const float* in, size_t pixels)
{
    const D d;
    const size_t lanes = hn::Lanes(d), whole = pixels / lanes * lanes;
    for (size_t i = 0; i < whole; i += lanes) {
        Pixels p;
        hn::LoadInterleaved3(d, in + i * 3, p.x, p.y, p.z);
        p = AllWithin(p, static_cast<float>(kWorkingLimit)) ? p : Limited(p, kWorkingLimit);
        Store(Entering(p, domain), tile, i);
    }
    if (whole < tile.count) {
        for (size_t i = whole; i < tile.count; ++i)
            for (int k = 0; k < 3; ++k)
                tile.plane[k][i] = i < pixels ? in[i * 3 + k] : 0;
        Store(Entering(Limited(Load(tile, whole), kWorkingLimit), domain), tile, whole);
    }
}

HWY_INLINE void WriteTile(Tile& tile, Domain domain, float* out, size_t pixels)
{
    const D d;
    const size_t lanes = hn::Lanes(d), whole = pixels / lanes * lanes;
    for (size_t i = 0; i < whole; i += lanes) {
        const Pixels p = Leaving(Load(tile, i), domain);
        hn::StoreInterleaved3(p.x, p.y, p.z, d, out + i * 3);
    }
    if (whole < tile.count)
        Store(Leaving(Load(tile, whole), domain), tile, whole);
    for (size_t i = whole; i < pixels; ++i)
        for (int k = 0; k < 3; ++k)
            out[i * 3 + k] = tile.plane[k][i];
}

/// Runs one step; `now` is the space that its colours are in.
HWY_INLINE void RunInstruction(const RenderPlan::Program::Instruction& instruction, const void* prepared,
                               const Place& place, const float* places, Tile& tile, Tile& before, Domain& now)
{
    Bring(tile, now, std::visit([](const auto& kernel) { return kernel.domain(); }, instruction.kernel));
    const bool blends = instruction.strength != 1 || !instruction.guard.isOpen || places;
    Domain then = now;
    if (blends)
        for (int k = 0; k < 3; ++k)
            std::copy_n(tile.plane[k], tile.count, before.plane[k]);
    std::visit(
        [&](const auto& kernel) HWY_ATTR {
            if constexpr (SpatialKernel<std::decay_t<decltype(kernel)>>)
                Run(kernel, tile, place, prepared);
            else
                Run(kernel, tile);
        },
        instruction.kernel);
    Limit(tile, now);
    if (blends) {
        Bring(before, then, Domain::OkLab);
        Bring(tile, now, Domain::OkLab);
        instruction.guard.isOpen && !places
            ? Blend(tile, before, instruction.strength)
            : BlendGuarded(tile, before, instruction.strength, instruction.guard, places);
        Limit(tile, now);
    }
}

/// Shares of a step's strength at a run of pixels, by its role's mask; none for a step that is bound to no role.
HWY_INLINE const float* PlacesOf(const RoleBinding& where, const RoleMasks* masks, const Place& place, size_t pixels,
                                 size_t count, float* to)
{
    if (!where.isBound())
        return nullptr;
    sampleRow(*masks->find(where.role), place, static_cast<int>(pixels), to);
    std::fill(to + pixels, to + count, 0.0f);
    const D d;
    const auto base = hn::Set(d, static_cast<float>(where.base())),
               slope = hn::Set(d, static_cast<float>(where.slope()));
    for (size_t i = 0; i < count; i += hn::Lanes(d))
        hn::Store(hn::MulAdd(slope, hn::Load(d, to + i), base), d, to + i);
    return to;
}

void RunProgram(const Pass& pass, const Place& place, const float* in, float* out, size_t pixels)
{
    const D d;
    if (const auto* table = pass.count == 1 ? std::get_if<LookupTableKernel>(&pass.first[0]->kernel) : nullptr;
        table && table->isCubeAlone && pass.first[0]->strength == 1 && pass.first[0]->guard.isOpen &&
        !pass.first[0]->where.isBound()) {
        const size_t done = ApplyCubeAlone(table->cube, in, out, pixels);
        in += 3 * done, out += 3 * done, pixels -= done;
        if (pixels == 0)
            return;
    }
    // Planes a whole number of pages apart would make the processor take a load from one for a load of what was stored
    // in another.
    HWY_ALIGN float planes[7][Tile::kPixels + 48];
    const size_t lanes = hn::Lanes(d), count = (pixels + lanes - 1) / lanes * lanes;
    Domain now = std::visit([](const auto& kernel) { return kernel.domain(); }, pass.first[0]->kernel);
    Tile tile{{planes[0], planes[1], planes[2]}, count}, before{{planes[3], planes[4], planes[5]}, count};
    ReadTile(tile, now, in, pixels);
    for (size_t n = 0; n < pass.count; ++n) {
        const float* places = PlacesOf(pass.first[n]->where, pass.masks, place, pixels, count, planes[6]);
        if (places && std::all_of(places, places + pixels, [](float w) { return w == 0; }))
            continue;
        RunInstruction(*pass.first[n], n == 0 ? pass.prepared : nullptr, place, places, tile, before, now);
    }
    WriteTile(tile, now, out, pixels);
}

/// OKLab L of a row of pixels.
void LightnessOfRow(const float* in, float* out, size_t pixels)
{
    const D d;
    const size_t lanes = hn::Lanes(d), whole = pixels / lanes * lanes;
    for (size_t i = 0; i < whole; i += lanes) {
        Pixels p;
        hn::LoadInterleaved3(d, in + i * 3, p.x, p.y, p.z);
        hn::StoreU(OkLabOf(Limited(p, kWorkingLimit)).x, d, out + i);
    }
    if (whole < pixels) {
        HWY_ALIGN float rest[4][HWY_MAX_BYTES / sizeof(float)] = {};
        for (size_t i = whole; i < pixels; ++i)
            for (int k = 0; k < 3; ++k)
                rest[k][i - whole] = in[i * 3 + k];
        hn::Store(OkLabOf(Limited({hn::Load(d, rest[0]), hn::Load(d, rest[1]), hn::Load(d, rest[2])}, kWorkingLimit)).x,
                  d, rest[3]);
        std::copy_n(rest[3], pixels - whole, out + whole);
    }
}

}  // namespace HWY_NAMESPACE
}  // namespace amber
HWY_AFTER_NAMESPACE();

#if HWY_ONCE
#include <atomic>
#include <cstring>

namespace amber {
HWY_EXPORT(RunProgram);
HWY_EXPORT(LightnessOfRow);

namespace {

using Instructions = std::vector<RenderPlan::Program::Instruction>;

bool runPass(const Pass& pass, ImageView in, MutableImageView out, const RenderOptions& options,
             const CancelToken& cancel)
{
    const auto run = HWY_DYNAMIC_DISPATCH(RunProgram);
    inParallel(in.height, [&](int y) {
        if (cancel.isCancelled())
            return;
        for (int x = 0; x < in.width; x += static_cast<int>(Tile::kPixels))
            run(pass, {x, options.firstRow + y, in.width, options.wholeHeight > 0 ? options.wholeHeight : in.height},
                in.row(y) + x * 3, out.row(y) + x * 3, std::min(Tile::kPixels, static_cast<std::size_t>(in.width - x)));
    });
    return !cancel.isCancelled();
}

void copyRows(ImageView in, MutableImageView out)
{
    if (in.data != out.data)
        inParallel(in.height, [&](int y) {
            std::memcpy(out.row(y), in.row(y), sizeof(float) * 3 * static_cast<std::size_t>(in.width));
        });
}

/// Those that do something on a picture with these masks: a role of which it is not known where it lies is left alone,
/// and so is one that lies nowhere by steps that work inside it.
std::vector<const RenderPlan::Program::Instruction*> thatWork(const Instructions& all, const RoleMasks* masks)
{
    std::vector<const RenderPlan::Program::Instruction*> work;
    for (const auto& i : all)
        if (!i.where.isBound() ||
            (masks && masks->knows(i.where.role) && !(masks->isEmpty(i.where.role) && i.where.base() == 0)))
            work.push_back(&i);
    return work;
}

bool runAll(const Instructions& given, ImageView in, MutableImageView out, double pixelsPerDelivered,
            const RenderOptions& options, const CancelToken& cancel)
{
    const auto all = thatWork(given, options.masks.get());
    if (all.empty())
        copyRows(in, out);
    for (std::size_t i = 0; i < all.size();) {
        std::shared_ptr<const void> prepared;
        if (all[i]->needsPicture)
            std::visit(
                [&](const auto& kernel) {
                    if constexpr (SpatialKernel<std::decay_t<decltype(kernel)>>)
                        prepared = kernel.prepare(in, pixelsPerDelivered);
                },
                all[i]->kernel);
        std::size_t end = i + 1;
        while (end < all.size() && !all[end]->needsPicture)
            ++end;
        if (cancel.isCancelled() ||
            !runPass({&all[i], end - i, prepared.get(), options.masks.get()}, in, out, options, cancel))
            return false;
        in = out;
        i = end;
    }
    return true;
}

}  // namespace

bool render(const RenderPlan& plan, ImageView in, MutableImageView out, const CancelToken& cancel,
            const RenderOptions& options)
{
    constexpr int kFewPixels =
        256 * 256;  // a grid of single pixels to be measured takes less than a frame of the screen
    if (in.width * in.height > kFewPixels)
        longCall("render");
    const auto& program = plan.program();
    const bool look = options.stage != RenderOptions::Stage::Output && !program.look.empty(),
               output = options.stage != RenderOptions::Stage::Look && !program.output.empty();
    const int longEdge = std::max(in.width, in.height);
    const double pixelsPerDelivered =
        options.deliveredLongEdge > 0 ? static_cast<double>(longEdge) / options.deliveredLongEdge : 1;
    if (!look && !output)
        copyRows(in, out);
    if (look && !runAll(program.look, in, out, pixelsPerDelivered, options, cancel))
        return false;
    if (output && !runAll(program.output, look ? ImageView(out) : in, out, pixelsPerDelivered, options, cancel))
        return false;
    return !cancel.isCancelled();
}

Plane lightnessOf(ImageView picture)
{
    Plane plane = Plane::unset(picture.width, picture.height);
    inParallel(picture.height,
               [&](int y) { lightnessOfRow(picture.row(y), static_cast<std::size_t>(picture.width), plane.row(y)); });
    return plane;
}

void lightnessOfRow(const float* rgb, std::size_t count, float* lightness)
{
    HWY_DYNAMIC_DISPATCH(LightnessOfRow)(rgb, lightness, count);
}

std::vector<std::string> simdTargets()
{
    std::vector<std::string> names;
    for (const int64_t target : hwy::SupportedAndGeneratedTargets())
        names.emplace_back(hwy::TargetName(target));
    return names;
}

void useSimdTarget(const std::string& name)
{
    hwy::SetSupportedTargetsForTest(0);
    for (const int64_t target : hwy::SupportedAndGeneratedTargets())
        if (name == hwy::TargetName(target))
            hwy::SetSupportedTargetsForTest(target);
    hwy::GetChosenTarget().Update(hwy::SupportedTargets());
}

}  // namespace amber
#endif
