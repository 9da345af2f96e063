// Functions of vectors for the fast engine; included once per SIMD target, with D and hn defined. Polynomials are
// least-maximum fits. Their bounds are held by tests on every target.
namespace HWY_NAMESPACE {

/// Signed cube roots as x y^2, y the inverse cube root: a guess g from the exponent (within 3.5 %), then g (1 -
/// r)^(-1/3) with r = 1 - |x| g^3 by a polynomial over -0.107..0.1 (within 5e-9); none of it divides. Relative error
/// under 3e-7 for 1e-30 < |x| < 1e30; 0 gives a value of about 1e-10. N at a time, step by step, so that one does not
/// wait for another's result.
template <size_t N, class DD, class V = hn::Vec<DD>>
HWY_INLINE void CubeRoots(DD d, V (&x)[N])
{
    const hn::RebindToSigned<DD> di;
    const V one = hn::Set(d, 1.0f);
    V size[N], y[N], r[N], part[N];
    // The bits divided by three: as floats over 256, added to 1.5 2^23, whose own bits the constant takes back out.
    for (size_t i = 0; i < N; ++i) {
        size[i] = hn::Max(hn::Abs(x[i]), hn::Set(d, 1e-30f));
        const V bits =
            hn::MulAdd(hn::ConvertTo(d, hn::BitCast(di, size[i])), hn::Set(d, 1.0f / 768), hn::Set(d, 12582912.0f));
        y[i] = hn::BitCast(
            d, hn::Sub(hn::Set(di, static_cast<int32_t>(0x94a232c0u)), hn::ShiftLeft<8>(hn::BitCast(di, bits))));
    }
    for (size_t i = 0; i < N; ++i)
        r[i] = hn::NegMulAdd(size[i], hn::Mul(y[i], hn::Mul(y[i], y[i])), one);
    constexpr float kSeries[] = {0.1244015f, 0.14578350f, 0.17285359f, 0.22221532f, 0.33333331f};
    for (size_t i = 0; i < N; ++i)
        part[i] = hn::MulAdd(r[i], hn::Set(d, kSeries[0]), hn::Set(d, kSeries[1]));
    for (size_t k = 2; k < std::size(kSeries); ++k)
        for (size_t i = 0; i < N; ++i)
            part[i] = hn::MulAdd(r[i], part[i], hn::Set(d, kSeries[k]));
    for (size_t i = 0; i < N; ++i)
        y[i] = hn::MulAdd(hn::Mul(y[i], r[i]), part[i], y[i]);
    for (size_t i = 0; i < N; ++i)
        x[i] = hn::CopySign(hn::Mul(size[i], hn::Mul(y[i], y[i])), x[i]);
}
template <class DD, class V = hn::Vec<DD>>
HWY_INLINE V CubeRoot(DD d, V x)
{
    V all[1] = {x};
    CubeRoots(d, all);
    return all[0];
}

/// 1 / x and 1 / sqrt(x) for x > 0 from the machine's guess by one step of Newton's method: relative error under
/// 5e-7 and 5e-6 (5e-7 where the machine has such a guess).
template <class DD, class V = hn::Vec<DD>>
HWY_INLINE V Reciprocal(DD d, V x)
{
    const V y = hn::ApproximateReciprocal(x);
    return hn::Mul(y, hn::NegMulAdd(x, y, hn::Set(d, 2.0f)));
}
template <class DD, class V = hn::Vec<DD>>
HWY_INLINE V InverseRoot(DD d, V x)
{
    const V y = hn::ApproximateReciprocalSqrt(x);
    return hn::Mul(y, hn::NegMulAdd(hn::Mul(hn::Set(d, 0.5f), x), hn::Mul(y, y), hn::Set(d, 1.5f)));
}

/// 2^x for -126 < x < 126: relative error under 3e-7. Smaller x count as -126. The whole part is found by adding 1.5
/// 2^23, which leaves it in the low bits.
template <class DD, class V = hn::Vec<DD>>
HWY_INLINE V Exp2(DD d, V x)
{
    const hn::RebindToSigned<DD> di;
    x = hn::Max(x, hn::Set(d, -126.0f));
    const V magic = hn::Set(d, 12582912.0f), shifted = hn::Add(x, magic), f = hn::Sub(x, hn::Sub(shifted, magic));
    V y = hn::MulAdd(f, hn::Set(d, 0.00134100001f), hn::Set(d, 0.00967603636f));
    y = hn::MulAdd(f, y, hn::Set(d, 0.0555029731f));
    y = hn::MulAdd(f, y, hn::Set(d, 0.240221074f));
    y = hn::MulAdd(f, y, hn::Set(d, 0.693147225f));
    y = hn::MulAdd(f, y, hn::Set(d, 1.00000008f));
    return hn::BitCast(d, hn::Add(hn::BitCast(di, y), hn::ShiftLeft<23>(hn::BitCast(di, shifted))));
}

/// The same with a shorter polynomial: relative error under 6e-6. For weights.
template <class DD, class V = hn::Vec<DD>>
HWY_INLINE V Exp2Short(DD d, V x)
{
    const hn::RebindToSigned<DD> di;
    x = hn::Max(x, hn::Set(d, -126.0f));
    const V magic = hn::Set(d, 12582912.0f), shifted = hn::Add(x, magic), f = hn::Sub(x, hn::Sub(shifted, magic));
    V y = hn::MulAdd(f, hn::Set(d, 0.009570102f), hn::Set(d, 0.055917863f));
    y = hn::MulAdd(f, y, hn::Set(d, 0.24024744f));
    y = hn::MulAdd(f, y, hn::Set(d, 0.6931218f));
    y = hn::MulAdd(f, y, hn::Set(d, 0.9999993f));
    return hn::BitCast(d, hn::Add(hn::BitCast(di, y), hn::ShiftLeft<23>(hn::BitCast(di, shifted))));
}

/// 3 t^2 - 2 t^3 with t limited to 0..1.
template <class DD, class V = hn::Vec<DD>>
HWY_INLINE V Smoothstep(DD d, V t)
{
    t = hn::Min(hn::Max(t, hn::Zero(d)), hn::Set(d, 1.0f));
    return hn::Mul(hn::Mul(t, t), hn::NegMulAdd(hn::Set(d, 2.0f), t, hn::Set(d, 3.0f)));
}

/// log2 x for finite x > 1e-38: error under 2e-7 + 1e-7 |log2 x|.
template <class DD, class V = hn::Vec<DD>>
HWY_INLINE V Log2(DD d, V x)
{
    const hn::RebindToSigned<DD> di;
    const auto half = hn::Set(di, 0x3f3504f3);  // the square root of a half, where one octave passes to the next
    const auto bits = hn::Sub(hn::BitCast(di, x), half);
    const V octave = hn::ConvertTo(d, hn::ShiftRight<23>(bits));
    const V f = hn::Sub(hn::BitCast(d, hn::Add(hn::And(bits, hn::Set(di, 0x7fffff)), half)), hn::Set(d, 1.0f));
    V y = hn::MulAdd(f, hn::Set(d, -0.14574441f), hn::Set(d, 0.23689045f));
    y = hn::MulAdd(f, y, hn::Set(d, -0.25006908f));
    y = hn::MulAdd(f, y, hn::Set(d, 0.28670746f));
    y = hn::MulAdd(f, y, hn::Set(d, -0.36008722f));
    y = hn::MulAdd(f, y, hn::Set(d, 0.48093945f));
    y = hn::MulAdd(f, y, hn::Set(d, -0.72135717f));
    y = hn::MulAdd(f, y, hn::Set(d, 1.4426948f));
    return hn::MulAdd(f, y, octave);
}

/// x^p for x >= 0 by 2^(p log2 x): relative error under 2e-6 for the powers of transfer functions over 1e-12..4.
template <class DD, class V = hn::Vec<DD>>
HWY_INLINE V Power(DD d, V x, float p)
{
    return Exp2(d, hn::Mul(hn::Set(d, p), Log2(d, hn::Max(x, hn::Set(d, 1e-30f)))));
}

/// Sine and cosine of an angle in radians, |x| <= pi: error under 1e-6.
template <class DD, class V = hn::Vec<DD>>
HWY_INLINE void SineCosine(DD d, V x, V& sine, V& cosine)
{
    const V t = hn::Mul(x, x);
    V s = hn::MulAdd(t, hn::Set(d, -2.03662305e-08f), hn::Set(d, 2.69982279e-06f));
    s = hn::MulAdd(t, s, hn::Set(d, -0.0001980874f));
    s = hn::MulAdd(t, s, hn::Set(d, 0.00833240759f));
    s = hn::MulAdd(t, s, hn::Set(d, -0.166665534f));
    s = hn::MulAdd(t, s, hn::Set(d, 0.999999604f));
    sine = hn::Mul(s, x);
    V c = hn::MulAdd(t, hn::Set(d, 1.72476056e-09f), hn::Set(d, -2.7079775e-07f));
    c = hn::MulAdd(t, c, hn::Set(d, 2.47699662e-05f));
    c = hn::MulAdd(t, c, hn::Set(d, -0.00138878078f));
    c = hn::MulAdd(t, c, hn::Set(d, 0.0416664902f));
    c = hn::MulAdd(t, c, hn::Set(d, -0.499999892f));
    cosine = hn::MulAdd(t, c, hn::Set(d, 0.999999989f));
}

}  // namespace HWY_NAMESPACE
