// SIMD form of the chroma step; included once per target by the fast engine.
namespace HWY_NAMESPACE {

HWY_INLINE void Run(const ChromaKernel& k, Tile& tile)
{
    const D d;
    const auto set = [&](double v) AMBER_INLINE { return hn::Set(d, static_cast<float>(v)); };
    const auto one = set(1);
    ForEach(tile, [&](const Pixels& p) AMBER_INLINE {
        const auto c2 = hn::MulAdd(p.y, p.y, hn::Mul(p.z, p.z));
        auto f = hn::Mul(set(k.even),
                         hn::MulAdd(set(k.reserved),
                                    Reciprocal(d, hn::MulAdd(c2, set(1 / (kMutedChroma * kMutedChroma)), one)), one));
        if (k.shelter > 0 || k.hasCeiling) {
            const auto inverse = InverseRoot(d, hn::Max(c2, set(1e-30)));
            if (k.shelter > 0) {
                const auto bump =
                    Exp2Short(d, hn::MulSub(inverse, hn::MulAdd(p.y, set(k.cosine), hn::Mul(p.z, set(k.sine))),
                                            set(k.sharpness)));
                const auto share =
                    hn::Mul(hn::Mul(set(k.shelter), bump),
                            hn::Mul(c2, Reciprocal(d, hn::Add(c2, set(kShelterNeutral * kShelterNeutral)))));
                f = hn::MulAdd(hn::Sub(f, one), hn::Sub(one, share), one);
            }
            if (k.hasCeiling) {
                const auto over = hn::Max(hn::MulSub(hn::Mul(c2, inverse), f, set(k.knee)), hn::Zero(d)),
                           t = hn::Mul(over, set(1 / k.room));
                const auto bent = hn::Mul(hn::MulAdd(over, Reciprocal(d, hn::Add(one, t)), set(k.knee)), inverse);
                f = hn::IfThenElse(hn::Gt(over, hn::Zero(d)), bent, f);
            }
        }
        return Pixels{p.x, hn::Mul(p.y, f), hn::Mul(p.z, f)};
    });
}

}  // namespace HWY_NAMESPACE
