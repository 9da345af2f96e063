// SIMD form of contrast; included once per target by the fast engine.
namespace HWY_NAMESPACE {

HWY_INLINE void Run(const ContrastKernel& k, Tile& tile)
{
    const D d;
    const auto set = [&](float v) AMBER_INLINE { return hn::Set(d, v); };
    const auto one = set(1);
    ForEach(tile, [&](const Pixels& p) AMBER_INLINE {
        const auto exposed = hn::Mul(p.x, set(k.gain)), off = hn::Sub(exposed, set(k.pivot));
        const auto dark = hn::Lt(off, hn::Zero(d));
        const auto side = hn::IfThenElse(dark, set(k.below), set(k.above));
        const auto size = hn::Abs(hn::Mul(off, hn::IfThenElse(dark, set(k.inverseBelow), set(k.inverseAbove))));
        const auto inside = hn::Div(hn::Mul(set(k.slope), size), hn::MulAdd(set(k.slope - 1), size, one));
        const auto beyond = hn::MulAdd(hn::Sub(size, one), set(k.inverseSlope), one);
        const auto L =
            hn::MulAdd(side, hn::CopySign(hn::IfThenElse(hn::Le(size, one), inside, beyond), off), set(k.pivot));
        const auto ratio =
            hn::IfThenElse(hn::Gt(exposed, set(1e-6f)), hn::Div(L, hn::Max(exposed, set(1e-6f))), set(k.inverseSlope));
        const auto chroma = hn::Mul(set(k.gain), hn::MulAdd(set(k.chromaFollows), hn::Sub(ratio, one), one));
        return Pixels{L, hn::Mul(p.y, chroma), hn::Mul(p.z, chroma)};
    });
}

}  // namespace HWY_NAMESPACE
