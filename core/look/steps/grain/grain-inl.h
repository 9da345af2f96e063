// SIMD form of grain; included once per target by the fast engine.
namespace HWY_NAMESPACE {

HWY_INLINE void Run(const GrainKernel& k, Tile& tile, const Place& place, const void*)
{
    const D d;
    HWY_ALIGN float grain[3][Tile::kPixels];
    const int layers = k.step.colour > 0 ? 3 : 1;
    for (int layer = 0; layer < layers; ++layer)
        k.grainRow(layer, place, static_cast<int>(tile.count), grain[layer]);
    const auto zero = hn::Zero(d), one = hn::Set(d, 1.0f), amount = hn::Set(d, static_cast<float>(k.step.amount));
    for (size_t i = 0; i < tile.count; i += hn::Lanes(d)) {
        const auto lightness = hn::Load(d, tile.plane[0] + i), L = hn::Min(hn::Max(lightness, zero), one);
        const auto outer = hn::NegMulAdd(hn::Mul(hn::Set(d, 4.0f), L), hn::Sub(one, L), one);
        const auto weight = hn::Mul(amount, hn::NegMulAdd(hn::Set(d, static_cast<float>(k.step.midtones)), outer, one));
        const auto lit = hn::MulAdd(hn::Mul(hn::Set(d, 3.0f), weight), hn::Load(d, grain[0] + i), lightness);
        hn::Store(CubeRoot(d, hn::Mul(hn::Mul(lightness, lightness), lit)), d, tile.plane[0] + i);
        const auto colour = hn::Mul(weight, hn::Set(d, static_cast<float>(k.step.colour / 2)));
        for (int layer = 1; layer < layers; ++layer)
            hn::Store(hn::MulAdd(colour, hn::Load(d, grain[layer] + i), hn::Load(d, tile.plane[layer] + i)), d,
                      tile.plane[layer] + i);
    }
}

}  // namespace HWY_NAMESPACE
