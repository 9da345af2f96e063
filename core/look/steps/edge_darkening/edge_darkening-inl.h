// SIMD form of edge darkening; included once per target by the fast engine.
namespace HWY_NAMESPACE {

HWY_INLINE void Run(const EdgeDarkeningKernel& k, Tile& tile, const Place& place, const void*)
{
    const D d;
    const auto set = [&](double v) AMBER_INLINE { return hn::Set(d, static_cast<float>(v)); };
    const auto one = set(1), protect = set(k.step.protectDarks);
    const double halfWidth = place.width / 2.0, halfHeight = place.height / 2.0, dy = place.y + 0.5 - halfHeight;
    const auto rowFrame = set(dy * dy / (2 * halfHeight * halfHeight)), rowCircle = set(dy * dy),
               acrossFrame = set(1 / (2 * halfWidth * halfWidth));
    const auto toCorner = set(1 / std::hypot(halfWidth, halfHeight)), roundness = set(k.step.roundness),
               begin = set(k.step.begin), scale = set(1 / (1 - k.step.begin)),
               stops = set((k.step.net - k.step.existing) / 3);
    for (size_t i = 0; i < tile.count; i += hn::Lanes(d)) {
        const auto dx = hn::Add(hn::Iota(d, static_cast<float>(place.x) + static_cast<float>(i)), set(0.5 - halfWidth)),
                   dx2 = hn::Mul(dx, dx);
        const auto frame = hn::Sqrt(hn::MulAdd(dx2, acrossFrame, rowFrame)),
                   circle = hn::Mul(hn::Sqrt(hn::Add(dx2, rowCircle)), toCorner);
        const auto r = hn::MulAdd(roundness, hn::Sub(circle, frame), frame);
        const auto power = hn::Mul(stops, Smoothstep(d, hn::Mul(hn::Sub(r, begin), scale)));
        const Pixels p = Load(tile, i);
        const auto tone = hn::Mul(hn::Sub(p.x, hn::Set(d, static_cast<float>(kProtectedTones[0]))),
                                  hn::Set(d, static_cast<float>(1 / (kProtectedTones[1] - kProtectedTones[0]))));
        const auto kept = hn::NegMulAdd(protect, hn::Sub(one, Smoothstep(d, tone)), one);
        const auto f = Exp2(d, hn::Mul(power, kept));
        Store({hn::Mul(p.x, f), hn::Mul(p.y, f), hn::Mul(p.z, f)}, tile, i);
    }
}

}  // namespace HWY_NAMESPACE
