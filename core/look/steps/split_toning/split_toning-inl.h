// SIMD form of split toning; included once per target by the fast engine.
namespace HWY_NAMESPACE {

HWY_INLINE void Run(const SplitToningKernel& k, Tile& tile)
{
    const D d;
    const auto one = hn::Set(d, 1.0f), zero = hn::Zero(d);
    for (size_t i = 0; i < tile.count; i += hn::Lanes(d)) {
        const auto lightness = hn::Load(d, tile.plane[0] + i);
        const auto L = hn::Min(hn::Max(lightness, zero), one);
        auto a = zero, b = zero, sum = zero;
        for (const auto& dye : k.dyes) {
            const auto u = hn::Mul(hn::Sub(L, hn::Set(d, dye.centre)), hn::Set(d, dye.inverseReach));
            const auto v = hn::Max(hn::NegMulAdd(u, u, one), zero);
            const auto w = hn::Mul(v, v);
            a = hn::MulAdd(w, hn::Set(d, dye.a), a);
            b = hn::MulAdd(w, hn::Set(d, dye.b), b);
            sum = hn::Add(sum, w);
        }
        const auto over = hn::Max(hn::Sub(sum, one), zero);
        auto scale = hn::Add(hn::Min(sum, one), hn::Mul(over, Reciprocal(d, hn::MulAdd(hn::Set(d, 4.0f), over, one))));
        scale = hn::Mul(scale, Reciprocal(d, hn::Max(sum, hn::Set(d, 1e-20f))));
        if (!k.tintBlack)
            scale = hn::Mul(scale, Smoothstep(d, hn::Mul(L, hn::Set(d, static_cast<float>(1 / kTintEnd)))));
        if (!k.tintWhite)
            scale =
                hn::Mul(scale, Smoothstep(d, hn::Mul(hn::Sub(one, L), hn::Set(d, static_cast<float>(1 / kTintEnd)))));
        a = hn::Mul(a, scale), b = hn::Mul(b, scale);
        if (!k.holdLightness)
            hn::Store(hn::Mul(lightness, hn::Sub(one, hn::Sqrt(hn::MulAdd(a, a, hn::Mul(b, b))))), d,
                      tile.plane[0] + i);
        hn::Store(hn::Add(hn::Load(d, tile.plane[1] + i), a), d, tile.plane[1] + i);
        hn::Store(hn::Add(hn::Load(d, tile.plane[2] + i), b), d, tile.plane[2] + i);
    }
}

}  // namespace HWY_NAMESPACE
