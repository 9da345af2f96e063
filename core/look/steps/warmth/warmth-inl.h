// SIMD form of warmth; included once per target by the fast engine.
namespace HWY_NAMESPACE {

HWY_INLINE void Run(const WarmthKernel& k, Tile& tile) { Multiply(tile, k.matrix); }

}  // namespace HWY_NAMESPACE
