// SIMD form of glow; included once per target by the fast engine.
namespace HWY_NAMESPACE {

HWY_INLINE void Run(const GlowKernel& k, Tile& tile, const Place& place, const void* data)
{
    const D d;
    const auto set = [&](double v) AMBER_INLINE { return hn::Set(d, static_cast<float>(v)); };
    const auto& spread = static_cast<const GlowKernel::Prepared*>(data)->spread;
    HWY_ALIGN float g[3][Tile::kPixels];
    for (size_t i = 0; i < 3; ++i)
        sampleRow(spread[i], place, static_cast<int>(tile.count), g[i]);
    const auto one = set(1), zero = hn::Zero(d);
    const auto luminance = [&](auto r, auto gr, auto b) AMBER_INLINE {
        return hn::MulAdd(set(k.luminance[0]), r, hn::MulAdd(set(k.luminance[1]), gr, hn::Mul(set(k.luminance[2]), b)));
    };
    for (size_t i = 0; i < tile.count; i += hn::Lanes(d)) {
        const Pixels p = Load(tile, i);
        const auto r = hn::Load(d, g[0] + i), gr = hn::Load(d, g[1] + i), b = hn::Load(d, g[2] + i);
        const auto around = luminance(r, gr, b);
        const auto bright = Smoothstep(d, hn::Mul(hn::Sub(OkLabOf(p).x, set(k.step.from)), set(1 / kGlowRise)));
        const auto own = hn::Mul(bright, luminance(p.x, p.y, p.z));
        const auto left = hn::Min(hn::Max(hn::Sub(one, hn::Div(own, hn::Max(around, set(1e-20)))), zero), one);
        const auto share = hn::Mul(set(k.step.amount), left);
        Store({hn::MulAdd(share, r, p.x), hn::MulAdd(share, gr, p.y), hn::MulAdd(share, b, p.z)}, tile, i);
    }
}

}  // namespace HWY_NAMESPACE
