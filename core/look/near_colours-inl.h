// SIMD form of a range of colours; included once per target by the fast engine.
namespace HWY_NAMESPACE {

/// How much colours in OKLab belong to the range.
HWY_INLINE hn::Vec<D> NearWeight(const NearColoursKernel& k, const Pixels& lab)
{
    const D d;
    const auto one = hn::Set(d, 1.0f);
    const auto bump = [&](auto squared) AMBER_INLINE {
        const auto rest = hn::Max(hn::Sub(one, squared), hn::Zero(d));
        return hn::Mul(rest, rest);
    };
    const auto away = [&](auto v, float at, float scale) AMBER_INLINE {
        const auto u = hn::Mul(hn::Sub(v, hn::Set(d, at)), hn::Set(d, scale));
        return bump(hn::Mul(u, u));
    };
    auto weight = one;
    if (k.lightness)
        weight = away(lab.x, k.lightnessAt, k.lightnessScale);
    if (!k.chroma && !k.hue)
        return weight;
    const auto c2 = hn::MulAdd(lab.y, lab.y, hn::Mul(lab.z, lab.z)), chroma = hn::Sqrt(c2);
    if (k.chroma)
        weight = hn::Mul(weight, away(chroma, k.chromaAt, k.chromaScale));
    if (k.hue) {
        const auto along = hn::MulAdd(lab.y, hn::Set(d, k.cosine), hn::Mul(lab.z, hn::Set(d, k.sine)));
        const auto cosine = hn::Div(along, hn::Max(chroma, hn::Set(d, 1e-15f)));
        const auto coloured =
            hn::Div(c2, hn::Add(c2, hn::Set(d, static_cast<float>(NearColours::kNeutral * NearColours::kNeutral))));
        weight = hn::Mul(weight, hn::Mul(bump(hn::Mul(hn::Sub(one, cosine), hn::Set(d, k.hueScale))), coloured));
    }
    return weight;
}

}  // namespace HWY_NAMESPACE
