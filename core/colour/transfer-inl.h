// Transfer functions of vectors; included once per SIMD target, after core/base/simd_math-inl.h.
namespace HWY_NAMESPACE {

template <class DD, class V = hn::Vec<DD>>
HWY_INLINE V Encode(DD d, const TransferKernel& t, V x)
{
    const V size = hn::Abs(x);
    const V curve = hn::MulSub(hn::Set(d, t.scale), Power(d, size, t.power), hn::Set(d, t.offset));
    return hn::CopySign(hn::IfThenElse(hn::Le(size, hn::Set(d, t.split)), hn::Mul(size, hn::Set(d, t.slope)), curve),
                        x);
}

template <class DD, class V = hn::Vec<DD>>
HWY_INLINE V Decode(DD d, const TransferKernel& t, V v)
{
    const V size = hn::Abs(v);
    const V curve = Power(d, hn::Mul(hn::Add(size, hn::Set(d, t.offset)), hn::Set(d, 1 / t.scale)), 1 / t.power);
    return hn::CopySign(
        hn::IfThenElse(hn::Le(size, hn::Set(d, t.split * t.slope)), hn::Mul(size, hn::Set(d, 1 / t.slope)), curve), v);
}

}  // namespace HWY_NAMESPACE
