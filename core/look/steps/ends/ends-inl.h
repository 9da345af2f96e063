// SIMD form of ends; included once per target by the fast engine.
namespace HWY_NAMESPACE {

HWY_INLINE void Run(const EndsKernel& k, Tile& tile)
{
    const D d;
    ForEach(tile, [&](const Pixels& p) AMBER_INLINE {
        const auto one = [&](auto v) AMBER_INLINE { return hn::MulAdd(v, hn::Set(d, k.slope), hn::Set(d, k.offset)); };
        return Pixels{one(p.x), one(p.y), one(p.z)};
    });
}

}  // namespace HWY_NAMESPACE
