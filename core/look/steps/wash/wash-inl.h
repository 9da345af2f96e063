// SIMD form of a wash; included once per target by the fast engine, after the lookup table's transfer functions.
namespace HWY_NAMESPACE {

template <class V>
HWY_INLINE V Blended(Wash::Blend blend, V b, V s)
{
    const D d;
    const V one = hn::Set(d, 1.0f);
    switch (blend) {
    case Wash::Blend::Normal:
        return s;
    case Wash::Blend::Multiply:
        return hn::Mul(b, s);
    case Wash::Blend::Screen:
        return hn::NegMulAdd(b, s, hn::Add(b, s));
    case Wash::Blend::SoftLight:
        break;
    }
    const V twice = hn::MulSub(hn::Set(d, 2.0f), s, one);  // 2 Cs - 1
    const V darker = hn::Mul(b, hn::Sub(one, b));
    const V low = hn::Mul(hn::MulAdd(hn::MulSub(hn::Set(d, 16.0f), b, hn::Set(d, 12.0f)), b, hn::Set(d, 4.0f)), b);
    const V lighter = hn::Sub(hn::IfThenElse(hn::Le(b, hn::Set(d, 0.25f)), low, hn::Sqrt(b)), b);
    return hn::MulAdd(twice, hn::IfThenElse(hn::Le(twice, hn::Zero(d)), darker, lighter), b);
}

HWY_INLINE void Run(const WashKernel& k, Tile& tile)
{
    const D d;
    const auto zero = hn::Zero(d), one = hn::Set(d, 1.0f);
    ForEach(tile, [&](const Pixels& p) AMBER_INLINE {
        const auto L = OkLabOf(p).x;
        Pixels source{hn::Set(d, k.first[0]), hn::Set(d, k.first[1]), hn::Set(d, k.first[2])};
        for (const auto& passage : k.passages) {
            const auto t = Smoothstep(d, hn::Mul(hn::Sub(L, hn::Set(d, passage.low)), hn::Set(d, passage.scale)));
            source.x = hn::MulAdd(t, hn::Set(d, passage.rise[0]), source.x);
            source.y = hn::MulAdd(t, hn::Set(d, passage.rise[1]), source.y);
            source.z = hn::MulAdd(t, hn::Set(d, passage.rise[2]), source.z);
        }
        const auto lay = [&](auto linear, auto s) AMBER_INLINE {
            const auto v = Encode(d, k.transfer, linear), inside = hn::Min(hn::Max(v, zero), one);
            const auto change = hn::Sub(Blended(k.blend, inside, hn::Min(hn::Max(s, zero), one)), inside);
            return Decode(d, k.transfer, hn::MulAdd(hn::Set(d, k.amount), change, v));
        };
        const Pixels own = Multiplied(k.toSrgb, p);
        return Multiplied(k.fromSrgb, {lay(own.x, source.x), lay(own.y, source.y), lay(own.z, source.z)});
    });
}

}  // namespace HWY_NAMESPACE
