// SIMD form of the lookup table step; included once per target by the fast engine.
namespace HWY_NAMESPACE {

/// Positions in a part of a table: whole steps and the fraction beyond, at most the last interval.
struct Position {
    hn::Vec<hn::RebindToSigned<D>> index;
    hn::Vec<D> fraction;
};
HWY_INLINE Position PositionIn(const TablePart& part, int channel, hn::Vec<D> v)
{
    const D d;
    const hn::RebindToSigned<D> di;
    const auto at = hn::Mul(hn::Sub(v, hn::Set(d, part.low[channel])), hn::Set(d, part.scale[channel]));
    const auto held = hn::Min(hn::Max(at, hn::Zero(d)), hn::Set(d, static_cast<float>(part.size - 1)));
    // The whole part by adding 2^23, which leaves it in the low bits: rounded, so half is taken off first.
    const auto magic = hn::Set(d, 8388608.0f);
    const auto shifted = hn::Add(
        hn::Min(hn::Max(hn::Sub(held, hn::Set(d, 0.5f)), hn::Zero(d)), hn::Set(d, static_cast<float>(part.size - 2))),
        magic);
    return {hn::Sub(hn::BitCast(di, shifted), hn::BitCast(di, magic)), hn::Sub(held, hn::Sub(shifted, magic))};
}

/// Per channel, linear between two samples.
HWY_INLINE void ApplyCurves(const TablePart& part, Tile& tile)
{
    const D d;
    const hn::RebindToSigned<D> di;
    const auto three = hn::Set(di, 3);
    for (int k = 0; k < 3; ++k)
        for (size_t i = 0; i < tile.count; i += hn::Lanes(d)) {
            const Position p = PositionIn(part, k, hn::Load(d, tile.plane[k] + i));
            const auto at = hn::Add(hn::Mul(p.index, three), hn::Set(di, k));
            const auto a = hn::GatherIndex(d, part.values, at), b = hn::GatherIndex(d, part.values, hn::Add(at, three));
            hn::Store(hn::MulAdd(p.fraction, hn::Sub(b, a), a), d, tile.plane[k] + i);
        }
}

/// Where the four corners of the tetrahedra of some pixels lie in a cube, and their weights.
struct Corners {
    static constexpr size_t kCount = 64;  ///< pixels at a time; a multiple of every vector's length
    HWY_ALIGN int32_t place[4][kCount + 16];
    HWY_ALIGN float weight[4][kCount + 16];
};

/// Finds them for one vector of pixels, from the i-th on.
HWY_INLINE void FindCorners(const TablePart& part, const Pixels& v, Corners& corners, size_t i)
{
    const D d;
    const hn::RebindToSigned<D> di;
    using I = hn::Vec<hn::RebindToSigned<D>>;
    const auto one = hn::Set(d, 1.0f);
    const I stepR = hn::Set(di, 4), stepG = hn::Set(di, 4 * part.size), stepB = hn::Set(di, 4 * part.size * part.size);
    const Position r = PositionIn(part, 0, v.x), g = PositionIn(part, 1, v.y), b = PositionIn(part, 2, v.z);
    const I near = hn::ShiftLeft<2>(
        hn::Add(r.index, hn::Mul(hn::Set(di, part.size), hn::Add(g.index, hn::Mul(hn::Set(di, part.size), b.index)))));
    // The way from the near to the far corner: first along the largest fraction, last along the smallest.
    const auto rg = hn::Ge(r.fraction, g.fraction), rb = hn::Ge(r.fraction, b.fraction),
               gb = hn::Ge(g.fraction, b.fraction);
    const auto pick = [&](auto which, I yes, I no)
                          AMBER_INLINE { return hn::IfThenElse(hn::RebindMask(di, which), yes, no); };
    const I high = pick(rg, pick(rb, stepR, stepB), pick(gb, stepG, stepB));
    const I low = pick(gb, pick(rb, stepB, stepR), pick(rg, stepG, stepR));
    const I far = hn::Add(near, hn::Add(hn::Add(stepR, stepG), stepB));
    hn::Store(near, di, corners.place[0] + i);
    hn::Store(hn::Add(near, high), di, corners.place[1] + i);
    hn::Store(hn::Sub(far, low), di, corners.place[2] + i);
    hn::Store(far, di, corners.place[3] + i);
    const auto top = hn::Max(hn::Max(r.fraction, g.fraction), b.fraction),
               bottom = hn::Min(hn::Min(r.fraction, g.fraction), b.fraction);
    const auto middle = hn::Max(hn::Min(r.fraction, g.fraction), hn::Min(hn::Max(r.fraction, g.fraction), b.fraction));
    hn::Store(hn::Sub(one, top), d, corners.weight[0] + i);
    hn::Store(hn::Sub(top, middle), d, corners.weight[1] + i);
    hn::Store(hn::Sub(middle, bottom), d, corners.weight[2] + i);
    hn::Store(bottom, d, corners.weight[3] + i);
}

#if HWY_TARGET == HWY_SCALAR
/// Red, green, blue of the i-th pixel, and a fourth value without meaning.
struct Mixed {
    float v[4];
    void Put(float* to) const { std::copy_n(v, 4, to); }
    void PutThree(float* to) const { std::copy_n(v, 3, to); }
};
HWY_INLINE Mixed MixCorners(const float* values, const Corners& c, size_t i)
{
    Mixed m{};
    for (int k = 0; k < 3; ++k) {
        const float near = c.weight[1][i] * values[c.place[1][i] + k] + c.weight[0][i] * values[c.place[0][i] + k];
        m.v[k] = near + (c.weight[3][i] * values[c.place[3][i] + k] + c.weight[2][i] * values[c.place[2][i] + k]);
    }
    return m;
}
#else
struct Mixed {
    hn::Vec<hn::FixedTag<float, 4>> v;
    HWY_INLINE void Put(float* to) const { hn::StoreU(v, hn::FixedTag<float, 4>(), to); }
    HWY_INLINE void PutThree(float* to) const
    {
        HWY_ALIGN float all[4];
        hn::Store(v, hn::FixedTag<float, 4>(), all);
        std::copy_n(all, 3, to);
    }
};
/// Each corner is read once, as a vector of red, green and blue.
HWY_INLINE Mixed MixCorners(const float* values, const Corners& c, size_t i)
{
    const hn::FixedTag<float, 4> d4;
    const auto at = [&](int n) AMBER_INLINE { return hn::Load(d4, values + static_cast<uint32_t>(c.place[n][i])); };
    const auto near = hn::MulAdd(hn::Set(d4, c.weight[1][i]), at(1), hn::Mul(hn::Set(d4, c.weight[0][i]), at(0)));
    const auto far = hn::MulAdd(hn::Set(d4, c.weight[3][i]), at(3), hn::Mul(hn::Set(d4, c.weight[2][i]), at(2)));
    return {hn::Add(near, far)};
}
#endif

/// Tetrahedral. Places and weights of the four corners are found for whole vectors, the corners of each pixel are then
/// added up.
HWY_INLINE void ApplyCube(const TablePart& part, Tile& tile)
{
    const D d;
    Corners corners;
    HWY_ALIGN float sums[Corners::kCount * 4];
    for (size_t from = 0; from < tile.count; from += Corners::kCount) {
        const size_t count = std::min(Corners::kCount, tile.count - from);
        for (size_t i = 0; i < count; i += hn::Lanes(d))
            FindCorners(part, Load(tile, from + i), corners, i);
        for (size_t i = 0; i < count; ++i)
            MixCorners(part.values, corners, i).Put(sums + 4 * i);
        for (size_t i = 0; i < count; i += hn::Lanes(d)) {
            Pixels p;
            hn::Vec<D> unused;
            hn::LoadInterleaved4(d, sums + 4 * i, p.x, p.y, p.z, unused);
            Store(p, tile, from + i);
        }
    }
}

/// A cube alone from interleaved pixels to interleaved pixels: what ApplyCube gives, without the way through planes.
/// Whole blocks only; returns how many pixels are done. `out` may be `in`.
HWY_INLINE size_t ApplyCubeAlone(const TablePart& part, const float* in, float* out, size_t pixels)
{
    const D d;
    Corners corners;
    size_t from = 0;
    for (; from + Corners::kCount <= pixels; from += Corners::kCount) {
        for (size_t i = 0; i < Corners::kCount; i += hn::Lanes(d)) {
            Pixels p;
            hn::LoadInterleaved3(d, in + 3 * (from + i), p.x, p.y, p.z);
            FindCorners(part, AllWithin(p, static_cast<float>(kWorkingLimit)) ? p : Limited(p, kWorkingLimit), corners,
                        i);
        }
        // Four values are written of three, the fourth being overwritten by the next pixel; the last pixel keeps to its
        // own.
        float* to = out + 3 * from;
        for (size_t i = 0; i + 1 < Corners::kCount; ++i, to += 3)
            MixCorners(part.values, corners, i).Put(to);
        MixCorners(part.values, corners, Corners::kCount - 1).PutThree(to);
    }
    return from;
}

/// ASC CDL (table.h).
HWY_INLINE void ApplyCdl(const LookupTableKernel& k, Tile& tile)
{
    const D d;
    const auto zero = hn::Zero(d), one = hn::Set(d, 1.0f);
    const auto limited = [&](auto v) AMBER_INLINE { return hn::Min(hn::Max(v, zero), one); };
    ForEach(tile, [&](const Pixels& p) AMBER_INLINE {
        const auto graded = [&](auto v, int c) AMBER_INLINE {
            const auto x = limited(hn::MulAdd(v, hn::Set(d, k.slope[c]), hn::Set(d, k.offset[c])));
            return k.power[c] == 1 ? x : hn::IfThenElseZero(hn::Gt(x, zero), Power(d, x, k.power[c]));
        };
        const Pixels v{graded(p.x, 0), graded(p.y, 1), graded(p.z, 2)};
        const auto luma = hn::MulAdd(hn::Set(d, 0.2126f), v.x,
                                     hn::MulAdd(hn::Set(d, 0.7152f), v.y, hn::Mul(hn::Set(d, 0.0722f), v.z)));
        const auto saturated = [&](auto c) AMBER_INLINE {
            return limited(hn::MulAdd(hn::Set(d, k.saturation), hn::Sub(c, luma), luma));
        };
        return Pixels{saturated(v.x), saturated(v.y), saturated(v.z)};
    });
}

HWY_INLINE void Run(const LookupTableKernel& k, Tile& tile)
{
    const D d;
    const auto convert = [&](const TransferKernel& transfer, auto&& how) AMBER_INLINE {
        if (!k.isLinear)
            for (float* plane : tile.plane)
                for (size_t i = 0; i < tile.count; i += hn::Lanes(d))
                    hn::Store(how(transfer, hn::Load(d, plane + i)), d, plane + i);
    };
    if (!k.isLinear)
        Multiply(tile, k.toInput);
    convert(k.input, [&](const TransferKernel& t, auto v) AMBER_INLINE { return Encode(d, t, v); });
    HWY_ALIGN float kept[3][Tile::kPixels];
    if (k.mix != 1)
        for (int c = 0; c < 3; ++c)
            std::copy_n(tile.plane[c], tile.count, kept[c]);
    if (k.table->cdl)
        ApplyCdl(k, tile);
    if (k.curves.size > 0)
        ApplyCurves(k.curves, tile);
    if (k.cube.size > 0)
        ApplyCube(k.cube, tile);
    if (k.mix != 1)
        Blend(tile, Tile{{kept[0], kept[1], kept[2]}, tile.count}, k.mix);
    convert(k.output, [&](const TransferKernel& t, auto v) AMBER_INLINE { return Decode(d, t, v); });
    if (!k.isLinear)
        Multiply(tile, k.fromOutput);
}

}  // namespace HWY_NAMESPACE
