// SIMD form of the tone curve; included once per target by the fast engine.
namespace HWY_NAMESPACE {

/// Cubics of a curve as vectors, one segment to a lane, when there are enough lanes.
struct CurveLanes {
    bool fits;
    hn::Vec<D> begin, c0, c1, c2, c3;
    explicit CurveLanes(const CurveKernel& curve) : fits(curve.begin.size() <= hn::Lanes(D()))
    {
        const D d;
        const auto fill = [&](const std::vector<float>& values) AMBER_INLINE {
            HWY_ALIGN float lanes[hn::MaxLanes(D())] = {};
            std::copy_n(values.begin(), std::min(values.size(), hn::Lanes(d)), lanes);
            return hn::Load(d, lanes);
        };
        begin = fill(curve.begin), c0 = fill(curve.c0), c1 = fill(curve.c1), c2 = fill(curve.c2), c3 = fill(curve.c3);
    }
};

HWY_INLINE hn::Vec<D> EvaluateSegments(const CurveKernel& curve, hn::Vec<D> v)
{
    const D d;
    using V = hn::Vec<D>;
    V begin = hn::Set(d, curve.begin[0]), c0 = hn::Set(d, curve.c0[0]), c1 = hn::Set(d, curve.c1[0]), c2 = hn::Zero(d),
      c3 = hn::Zero(d);
    for (size_t i = 1; i < curve.begin.size(); ++i) {
        const V b = hn::Set(d, curve.begin[i]);
        const auto here = hn::Ge(v, b);
        begin = hn::IfThenElse(here, b, begin);
        c0 = hn::IfThenElse(here, hn::Set(d, curve.c0[i]), c0);
        c1 = hn::IfThenElse(here, hn::Set(d, curve.c1[i]), c1);
        c2 = hn::IfThenElse(here, hn::Set(d, curve.c2[i]), c2);
        c3 = hn::IfThenElse(here, hn::Set(d, curve.c3[i]), c3);
    }
    const V t = hn::Sub(v, begin);
    return hn::MulAdd(t, hn::MulAdd(t, hn::MulAdd(t, c3, c2), c1), c0);
}

/// Evaluates the cubics for N vectors. The segment is found by comparing with every begin, which is cheap for the few
/// points a curve has.
template <size_t N>
HWY_INLINE void EvaluateCurve(const CurveKernel& curve, [[maybe_unused]] const CurveLanes& lanes, hn::Vec<D> (&x)[N])
{
#if HWY_TARGET != HWY_SCALAR
    if (lanes.fits) {
        const D d;
        using V = hn::Vec<D>;
        const hn::RebindToSigned<D> di;
        hn::Vec<hn::RebindToSigned<D>> segment[N];
        for (auto& s : segment)
            s = hn::Zero(di);
        for (size_t i = 1; i < curve.begin.size(); ++i) {
            const V begin = hn::Set(d, curve.begin[i]);
            for (size_t n = 0; n < N; ++n)
                segment[n] = hn::Sub(segment[n], hn::BitCast(di, hn::VecFromMask(d, hn::Ge(x[n], begin))));
        }
        for (size_t n = 0; n < N; ++n) {
            const auto at = hn::IndicesFromVec(d, segment[n]);
            const V t = hn::Sub(x[n], hn::TableLookupLanes(lanes.begin, at));
            V y = hn::MulAdd(t, hn::TableLookupLanes(lanes.c3, at), hn::TableLookupLanes(lanes.c2, at));
            y = hn::MulAdd(t, y, hn::TableLookupLanes(lanes.c1, at));
            x[n] = hn::MulAdd(t, y, hn::TableLookupLanes(lanes.c0, at));
        }
        return;
    }
#endif
    for (hn::Vec<D>& v : x)
        v = EvaluateSegments(curve, v);
}

HWY_INLINE void RunPlane(const CurveKernel& curve, Tile& tile, int plane)
{
    const D d;
    const CurveLanes lanes(curve);
    for (size_t i = 0; i < tile.count; i += hn::Lanes(d)) {
        hn::Vec<D> v[1] = {hn::Load(d, tile.plane[plane] + i)};
        EvaluateCurve(curve, lanes, v);
        hn::Store(v[0], d, tile.plane[plane] + i);
    }
}

/// Through the curve of all channels and the channels' own.
HWY_INLINE void RunChannels(const ToneCurveKernel& k, Tile& tile)
{
    if (!k.lightnessOnly && !k.all.isStraight) {
        const CurveLanes lanes(k.all);
        ForEach(tile, [&](const Pixels& p) AMBER_INLINE {
            hn::Vec<D> v[3] = {p.x, p.y, p.z};
            EvaluateCurve(k.all, lanes, v);
            return Pixels{v[0], v[1], v[2]};
        });
    }
    for (int c = 0; c < 3; ++c)
        if (!k.channels[c].isStraight)
            RunPlane(k.channels[c], tile, c);
}

HWY_INLINE void Run(const ToneCurveKernel& k, Tile& tile)
{
    if (!k.lightnessOnly)
        return RunChannels(k, tile);
    Domain now = k.domain();
    Bring(tile, now, Domain::OkLab);
    if (!k.all.isStraight)
        RunPlane(k.all, tile, 0);
    if (k.hasChannels()) {
        Bring(tile, now, Domain::Roots);
        RunChannels(k, tile);
    }
    Bring(tile, now, k.domain());
}

}  // namespace HWY_NAMESPACE
