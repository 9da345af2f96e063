// SIMD form of the steps that add a prepared plane to lightness; included once per target by the fast engine.
namespace HWY_NAMESPACE {

template <class Kernel>
requires std::is_same_v<typename Kernel::Prepared, LightnessChange> HWY_INLINE void
Run(const Kernel&, Tile& tile, const Place& place, const void* data)
{
    const D d;
    const auto& change = static_cast<const LightnessChange*>(data)->change;
    if (change.values.empty())
        return;
    const float* row = change.row(place.y) + place.x;
    const size_t inside = static_cast<size_t>(change.width - place.x),
                 whole = std::min(tile.count, inside / hn::Lanes(d) * hn::Lanes(d));
    for (size_t i = 0; i < whole; i += hn::Lanes(d))
        hn::Store(hn::Add(hn::Load(d, tile.plane[0] + i), hn::LoadU(d, row + i)), d, tile.plane[0] + i);
    for (size_t i = whole; i < std::min(tile.count, inside); ++i)
        tile.plane[0][i] += row[i];
}

}  // namespace HWY_NAMESPACE
