// SIMD form of hue shifts; included once per target by the fast engine. Hues are compared as unit vectors, so no arc
// tangent is needed.
namespace HWY_NAMESPACE {

/// What a pixel's hue, and its place among the neutrals, ask for.
struct HueMoves {
    hn::Vec<D> turn, factor, lightness;

    template <class Move>
    HWY_INLINE void Add(hn::Vec<D> w, const Move& move)
    {
        const D d;
        turn = hn::MulAdd(w, hn::Set(d, move.turn), turn);
        factor = hn::MulAdd(w, hn::Set(d, move.chroma), factor);
        lightness = hn::MulAdd(w, hn::Set(d, move.lightness), lightness);
    }
};

/// By the families, for a hue as a unit vector.
HWY_INLINE HueMoves FamilyMoves(const HueShiftsKernel& k, hn::Vec<D> x, hn::Vec<D> y, hn::Vec<D> coloured)
{
    const D d;
    using V = hn::Vec<D>;
    V sum = hn::Set(d, static_cast<float>(kRestWeight));
    HueMoves moves{hn::Zero(d), hn::Zero(d), hn::Zero(d)};
    for (const auto& f : k.families) {
        const V w = Exp2Short(
            d, hn::MulAdd(x, hn::Set(d, f.cosine), hn::MulSub(y, hn::Set(d, f.sine), hn::Set(d, f.sharpness))));
        sum = hn::Add(sum, w);
        if (f.moves)
            moves.Add(w, f.move);
    }
    const V scale = hn::Mul(coloured, Reciprocal(d, sum));
    return {hn::Mul(moves.turn, scale), hn::Mul(moves.factor, scale), hn::Mul(moves.lightness, scale)};
}

HWY_INLINE void AddZoneMoves(const HueShiftsKernel& k, hn::Vec<D> L, hn::Vec<D> coloured, HueMoves& moves)
{
    const D d;
    using V = hn::Vec<D>;
    const V one = hn::Set(d, 1.0f), neutral = hn::Sub(one, coloured);
    const auto ramp = [&](const double(&ends)[2]) AMBER_INLINE {
        return Smoothstep(d, hn::Mul(hn::Sub(L, hn::Set(d, static_cast<float>(ends[0]))),
                                     hn::Set(d, static_cast<float>(1 / (ends[1] - ends[0])))));
    };
    const V black = hn::Sub(one, ramp(kBlackZone)), white = ramp(kWhiteZone);
    const V shares[3] = {hn::Mul(neutral, black), hn::Mul(neutral, hn::Sub(hn::Sub(one, black), white)),
                         hn::Mul(neutral, white)};
    for (int z = 0; z < 3; ++z)
        moves.Add(shares[z], k.zones[z]);
}

/// What of the chroma the ceilings leave, for a hue as a unit vector and the chroma that the moves leave.
HWY_INLINE hn::Vec<D> UnderCeilings(const HueShiftsKernel& k, hn::Vec<D> x, hn::Vec<D> y, hn::Vec<D> coloured,
                                    hn::Vec<D> chroma)
{
    const D d;
    using V = hn::Vec<D>;
    const V one = hn::Set(d, 1.0f);
    V sum = hn::Set(d, static_cast<float>(kRestWeight)), over = hn::Zero(d);
    for (const auto& f : k.families) {
        const V w = Exp2Short(
            d, hn::MulAdd(x, hn::Set(d, f.cosine), hn::MulSub(y, hn::Set(d, f.sine), hn::Set(d, f.sharpness))));
        sum = hn::Add(sum, w);
        if (f.room <= 0)
            continue;
        // Above the knee by e: bent by e - e / (1 + e / room).
        const V above = hn::Max(hn::Sub(chroma, hn::Set(d, f.knee)), hn::Zero(d));
        const V kept = hn::Mul(above, Reciprocal(d, hn::MulAdd(above, hn::Set(d, 1 / f.room), one)));
        over = hn::MulAdd(w, hn::Sub(above, kept), over);
    }
    const V lost = hn::Mul(over, hn::Mul(coloured, Reciprocal(d, sum)));
    return hn::Sub(one, hn::Div(lost, hn::Max(chroma, hn::Set(d, 1e-20f))));
}

HWY_INLINE void Run(const HueShiftsKernel& k, Tile& tile)
{
    const D d;
    using V = hn::Vec<D>;
    for (size_t i = 0; i < tile.count; i += hn::Lanes(d)) {
        const V L = hn::Load(d, tile.plane[0] + i), a = hn::Load(d, tile.plane[1] + i),
                b = hn::Load(d, tile.plane[2] + i);
        const V chroma2 = hn::MulAdd(a, a, hn::Mul(b, b));
        const V coloured = hn::Mul(
            chroma2, Reciprocal(d, hn::Add(chroma2, hn::Set(d, static_cast<float>(kNeutralChroma * kNeutralChroma)))));
        const V inverse = InverseRoot(d, hn::Max(chroma2, hn::Set(d, 1e-30f)));
        HueMoves moves = FamilyMoves(k, hn::Mul(a, inverse), hn::Mul(b, inverse), coloured);
        if (k.zonesMove)
            AddZoneMoves(k, L, coloured, moves);
        V s, c;
        SineCosine(d, moves.turn, s, c);
        V f = hn::Add(hn::Set(d, 1.0f), moves.factor);
        if (k.hasCeilings)
            f = hn::Mul(f, UnderCeilings(k, hn::Mul(a, inverse), hn::Mul(b, inverse), coloured,
                                         hn::Mul(f, hn::Mul(chroma2, inverse))));
        s = hn::Mul(f, s), c = hn::Mul(f, c);
        hn::Store(hn::Add(L, moves.lightness), d, tile.plane[0] + i);
        hn::Store(hn::NegMulAdd(s, b, hn::Mul(c, a)), d, tile.plane[1] + i);
        hn::Store(hn::MulAdd(s, a, hn::Mul(c, b)), d, tile.plane[2] + i);
    }
}

}  // namespace HWY_NAMESPACE
