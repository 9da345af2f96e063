// SIMD form of even towards; included once per target by the fast engine, after the range of colours.
namespace HWY_NAMESPACE {

HWY_INLINE void Run(const EvenTowardsKernel& k, Tile& tile)
{
    const D d;
    const auto set = [&](double v) AMBER_INLINE { return hn::Set(d, static_cast<float>(v)); };
    const auto one = set(1);
    ForEach(tile, [&](const Pixels& p) AMBER_INLINE {
        const auto w = NearWeight(k.range, p);
        const auto c2 = hn::MulAdd(p.y, p.y, hn::Mul(p.z, p.z)), chroma = hn::Sqrt(c2);
        const auto whole = hn::Add(c2, set(NearColours::kNeutral * NearColours::kNeutral));
        const auto q = hn::Mul(hn::Mul(set(k.hue), w), hn::Div(c2, whole)), aimed = hn::Mul(q, chroma);
        const auto a = hn::MulAdd(aimed, set(k.range.cosine), hn::NegMulAdd(q, p.y, p.y)),
                   b = hn::MulAdd(aimed, set(k.range.sine), hn::NegMulAdd(q, p.z, p.z));
        const auto length = hn::Sqrt(hn::MulAdd(a, a, hn::Mul(b, b)));
        const auto held =
            hn::IfThenElse(hn::Gt(length, hn::Zero(d)), hn::Div(chroma, hn::Max(length, set(1e-30))), one);
        const auto off = hn::Div(hn::Mul(hn::Sub(set(k.range.chromaAt), chroma), chroma), whole);
        const auto drawn = hn::Mul(held, hn::MulAdd(hn::Mul(set(k.chroma), w), off, one));
        const auto L = hn::MulAdd(hn::Mul(set(k.lightness), w), hn::Sub(set(k.range.lightnessAt), p.x), p.x);
        return Pixels{L, hn::Mul(a, drawn), hn::Mul(b, drawn)};
    });
}

}  // namespace HWY_NAMESPACE
