// SIMD form of haze; included once per target by the fast engine.
namespace HWY_NAMESPACE {

HWY_INLINE void Run(const HazeKernel& k, Tile& tile, const Place& place, const void* data)
{
    const D d;
    const auto set = [&](double v) AMBER_INLINE { return hn::Set(d, static_cast<float>(v)); };
    const auto& prepared = *static_cast<const HazeKernel::Prepared*>(data);
    HWY_ALIGN float a[Tile::kPixels], b[Tile::kPixels];
    sampleRow(prepared.a, place, static_cast<int>(tile.count), a);
    sampleRow(prepared.b, place, static_cast<int>(tile.count), b);
    const auto one = set(1);
    for (size_t i = 0; i < tile.count; i += hn::Lanes(d)) {
        const Pixels p = Load(tile, i);
        const auto share =
            hn::Min(hn::Max(hn::MulAdd(hn::Load(d, a + i), OkLabOf(p).x, hn::Load(d, b + i)), hn::Zero(d)), one);
        const auto factor =
            k.step.amount > 0
                ? hn::Div(one, hn::Max(hn::NegMulAdd(set(0.95 * k.step.amount), share, one), set(kLeastTransmission)))
                : hn::MulAdd(set(k.step.amount), hn::MulAdd(set(0.6), share, set(0.25)), one);
        const auto lift = [&](auto v, double veil)
                              AMBER_INLINE { return hn::MulAdd(hn::Sub(v, set(veil)), factor, set(veil)); };
        Store({lift(p.x, prepared.veil.r), lift(p.y, prepared.veil.g), lift(p.z, prepared.veil.b)}, tile, i);
    }
}

}  // namespace HWY_NAMESPACE
