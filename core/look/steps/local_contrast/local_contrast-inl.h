// SIMD form of local contrast; included once per target by the fast engine.
namespace HWY_NAMESPACE {

HWY_INLINE void Run(const LocalContrastKernel& k, Tile& tile, const Place& place, const void* data)
{
    const D d;
    const auto& prepared = *static_cast<const LocalContrastKernel::Prepared*>(data);
    HWY_ALIGN float maps[4][Tile::kPixels];
    const Plane* const planes[] = {&prepared.a, &prepared.b, &prepared.darkest, &prepared.lightest};
    for (int i = 0; i < 4; ++i)
        sampleRow(*planes[i], place, static_cast<int>(tile.count), maps[i]);
    for (size_t i = 0; i < tile.count; i += hn::Lanes(d)) {
        const auto L = hn::Load(d, tile.plane[0] + i), low = hn::Load(d, maps[2] + i), high = hn::Load(d, maps[3] + i);
        const auto margin = hn::Mul(hn::Set(d, static_cast<float>(kHaloLimit)), hn::Sub(high, low));
        const auto base = hn::MulAdd(hn::Load(d, maps[0] + i), L, hn::Load(d, maps[1] + i));
        const auto raised = hn::MulAdd(hn::Set(d, static_cast<float>(k.step.amount)), hn::Sub(L, base), L);
        hn::Store(hn::Min(hn::Max(raised, hn::Min(L, hn::Sub(low, margin))), hn::Max(L, hn::Add(high, margin))), d,
                  tile.plane[0] + i);
    }
}

}  // namespace HWY_NAMESPACE
