// SIMD form of tone bands; included once per target by the fast engine.
namespace HWY_NAMESPACE {

HWY_INLINE void Run(const ToneBandsKernel& k, Tile& tile)
{
    const D d;
    ForEach(tile, [&](const Pixels& p) AMBER_INLINE {
        auto power = hn::Set(d, k.first);
        for (size_t i = 0; i < 4; ++i) {
            const auto middle = hn::Set(d, static_cast<float>((kBandCentres[i] + kBandCentres[i + 1]) / 2));
            const auto at = hn::Mul(hn::Sub(p.x, middle), hn::Set(d, static_cast<float>(1 / kBandSpacing)));
            const auto t = hn::Min(hn::Max(at, hn::Set(d, -1.0f)), hn::Set(d, 1.0f));
            const auto passed =
                hn::Add(hn::Set(d, 0.5f), hn::Mul(t, hn::NegMulAdd(hn::Set(d, 0.5f), hn::Abs(t), hn::Set(d, 1.0f))));
            power = hn::MulAdd(hn::Set(d, k.rises[i]), passed, power);
        }
        const auto factor = Exp2(d, power);
        return Pixels{hn::Mul(p.x, factor), hn::Mul(p.y, factor), hn::Mul(p.z, factor)};
    });
}

}  // namespace HWY_NAMESPACE
