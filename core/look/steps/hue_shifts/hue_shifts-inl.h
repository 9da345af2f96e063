// SIMD form of hue shifts; included once per target by the fast engine. Hues are compared as unit vectors, so no arc
// tangent is needed.
namespace HWY_NAMESPACE {

HWY_INLINE void Run(const HueShiftsKernel& k, Tile& tile)
{
    const D d;
    using V = hn::Vec<D>;
    const V one = hn::Set(d, 1.0f);
    const auto ramp = [&](V L, const double(&ends)[2]) AMBER_INLINE {
        return Smoothstep(d, hn::Mul(hn::Sub(L, hn::Set(d, static_cast<float>(ends[0]))),
                                     hn::Set(d, static_cast<float>(1 / (ends[1] - ends[0])))));
    };
    for (size_t i = 0; i < tile.count; i += hn::Lanes(d)) {
        const V L = hn::Load(d, tile.plane[0] + i), a = hn::Load(d, tile.plane[1] + i),
                b = hn::Load(d, tile.plane[2] + i);
        const V chroma2 = hn::MulAdd(a, a, hn::Mul(b, b));
        const V coloured = hn::Mul(
            chroma2, Reciprocal(d, hn::Add(chroma2, hn::Set(d, static_cast<float>(kNeutralChroma * kNeutralChroma)))));
        const V inverse = InverseRoot(d, hn::Max(chroma2, hn::Set(d, 1e-30f)));
        const V x = hn::Mul(a, inverse), y = hn::Mul(b, inverse);
        V sum = hn::Set(d, static_cast<float>(kRestWeight)), turn = hn::Zero(d), factor = hn::Zero(d),
          lightness = hn::Zero(d);
        for (const auto& f : k.families) {
            const V w = Exp2Short(
                d, hn::MulAdd(x, hn::Set(d, f.cosine), hn::MulSub(y, hn::Set(d, f.sine), hn::Set(d, f.sharpness))));
            sum = hn::Add(sum, w);
            if (!f.moves)
                continue;
            turn = hn::MulAdd(w, hn::Set(d, f.move.turn), turn);
            factor = hn::MulAdd(w, hn::Set(d, f.move.chroma), factor);
            lightness = hn::MulAdd(w, hn::Set(d, f.move.lightness), lightness);
        }
        const V scale = hn::Mul(coloured, Reciprocal(d, sum));
        turn = hn::Mul(turn, scale), factor = hn::Mul(factor, scale), lightness = hn::Mul(lightness, scale);
        if (k.zonesMove) {
            const V neutral = hn::Sub(one, coloured), black = hn::Sub(one, ramp(L, kBlackZone)),
                    white = ramp(L, kWhiteZone);
            const V shares[3] = {hn::Mul(neutral, black), hn::Mul(neutral, hn::Sub(hn::Sub(one, black), white)),
                                 hn::Mul(neutral, white)};
            for (int z = 0; z < 3; ++z) {
                turn = hn::MulAdd(shares[z], hn::Set(d, k.zones[z].turn), turn);
                factor = hn::MulAdd(shares[z], hn::Set(d, k.zones[z].chroma), factor);
                lightness = hn::MulAdd(shares[z], hn::Set(d, k.zones[z].lightness), lightness);
            }
        }
        V s, c;
        SineCosine(d, turn, s, c);
        const V f = hn::Add(one, factor);
        s = hn::Mul(f, s), c = hn::Mul(f, c);
        hn::Store(hn::Add(L, lightness), d, tile.plane[0] + i);
        hn::Store(hn::NegMulAdd(s, b, hn::Mul(c, a)), d, tile.plane[1] + i);
        hn::Store(hn::MulAdd(s, a, hn::Mul(c, b)), d, tile.plane[2] + i);
    }
}

}  // namespace HWY_NAMESPACE
