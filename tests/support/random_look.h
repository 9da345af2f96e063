// Random steps, looks and colours for property tests; everything follows from the seed.
#pragma once

#include "core/image/image.h"
#include "core/look/look.h"

#include <algorithm>
#include <random>

namespace amber::test {

/// The place of a kind of step in StepParameters.
template <class T, std::size_t I = 0>
constexpr int placeOf()
{
    if constexpr (std::is_same_v<std::variant_alternative_t<I, StepKinds>, T>)
        return static_cast<int>(I);
    else
        return placeOf<T, I + 1>();
}

class Random {
public:
    explicit Random(std::uint64_t seed) : m_engine(seed) {}
    double between(double low, double high) { return std::uniform_real_distribution<double>(low, high)(m_engine); }
    int whole(int low, int high) { return std::uniform_int_distribution<int>(low, high)(m_engine); }
    bool flip() { return whole(0, 1) == 1; }

    ToneCurve::Points points()
    {
        ToneCurve::Points all;
        double x = between(-0.05, 0.05), y = between(-0.02, 0.15);
        for (int i = whole(2, 7); i > 0; --i) {
            all.push_back({x, y});
            x += between(0.08, 0.4), y += between(0.0, 0.45);
        }
        return all;
    }
    ToneCurve curve()
    {
        ToneCurve step;
        step.mode = flip() ? ToneCurve::Mode::EveryChannel : ToneCurve::Mode::LightnessOnly;
        step.all = points();
        for (auto* channel : {&step.red, &step.green, &step.blue})
            if (flip())
                *channel = points();
        return step;
    }
    SplitToning dyes()
    {
        SplitToning step;
        step.dyes.clear();
        for (int i = whole(1, 5); i > 0; --i)
            step.dyes.push_back({between(0, 1), between(0, 360), between(0, 0.12), between(0.1, 1.2), {}});
        step.balance = between(-0.3, 0.3);
        step.holdLightness = flip(), step.tintBlack = flip(), step.tintWhite = flip();
        return step;
    }
    HueMove move(bool hueOnly)
    {
        return {between(-40, 40), hueOnly ? 1 : between(0.2, 1.8), hueOnly ? 0 : between(-0.1, 0.1)};
    }
    HueShifts hues(bool hueOnly = false)
    {
        HueShifts step;
        if (flip())
            step.families.push_back({"Extra", between(0, 360), between(15, 120), {}, {}});
        for (HueFamily& family : step.families)
            family.move = move(hueOnly);
        if (!hueOnly)
            step.nearBlacks = move(false), step.greys = move(false), step.nearWhites = move(false);
        if (!hueOnly && flip())
            step.families[static_cast<std::size_t>(whole(0, 6))].ceiling = between(0.05, 0.35);
        return step;
    }
    /// A gentle table of any shape: the identity, bent and turned a little.
    Table table(int size1, int size3)
    {
        Table t;
        t.size1 = size1, t.size3 = size3;
        const auto bent = [&](double v) { return static_cast<float>(std::clamp(v + between(-0.04, 0.04), 0.0, 1.0)); };
        for (int i = 0; i < size1; ++i)
            for (int k = 0; k < 3; ++k)
                t.values1.push_back(bent(static_cast<double>(i) / (size1 - 1)));
        for (int i = 0; i < size3 * size3 * size3; ++i)
            for (int k = 0, n = i; k < 3; ++k, n /= size3)
                t.values3.push_back(bent(static_cast<double>(n % size3) / (size3 - 1)));
        return t;
    }
    LookupTable lookup()
    {
        const int kind = whole(0, 2);
        LookupTable step = lookupTable(table(kind == 1 ? 0 : whole(2, 40), kind == 0 ? 0 : whole(2, 9)), "random.cube");
        step.inputSpace = static_cast<RgbSpace>(whole(0, 4));
        step.outputSpace = step.inputSpace;
        step.mix = between(0, 1);
        return step;
    }
    /// Any step that describes its fields: numbers anywhere within their limits.
    template <class T>
    T any()
    {
        Visitor visitor{*this};
        T value;
        T::fields(visitor, value);
        return value;
    }
    Guard guard()
    {
        Guard guard = any<Guard>();
        if (guard.toneLow > guard.toneHigh)
            std::swap(guard.toneLow, guard.toneHigh);
        guard.shelters.resize(static_cast<std::size_t>(whole(0, 2)));
        return guard;
    }
    /// Kinds of steps by their place in StepParameters: pointwise ones first, then spatial ones, then the unknown step.
    static constexpr int kKinds = static_cast<int>(std::variant_size_v<StepKinds>) - 1;
    static constexpr int kPointwise = placeOf<LocalContrast>(), kLookupTable = placeOf<LookupTable>();
    StepParameters parameters(int kind) { return parametersOf<0>(kind); }
    Look look(int steps)
    {
        Look look;
        for (int i = 0; i < steps; ++i) {
            look.steps.push_back({parameters(whole(0, kPointwise - 1)),
                                  whole(0, 5) > 0,
                                  flip() ? 1 : between(0, 2),
                                  "note " + std::to_string(i),
                                  {}});
            if (whole(0, 2) == 0)
                look.steps.back().guard = guard();
        }
        return look;
    }
    LinearRgb colour(double low, double high) { return {between(low, high), between(low, high), between(low, high)}; }
    /// Values from `low` to `high`, with black, white and the corners of the cube among them.
    Image picture(int width, int height, double low, double high)
    {
        Image image(width, height);
        float* p = image.mutableView().data;
        for (int i = 0; i < width * height; ++i)
            for (int k = 0; k < 3; ++k)
                *p++ = static_cast<float>(i < 8 ? (i >> k) & 1 : between(low, high));
        return image;
    }

private:
    struct Visitor {
        Random& random;
        void number(const char*, double& v, double low, double high) { v = random.between(low, high); }
        void boolean(const char*, bool& v) { v = random.flip(); }
        void text(const char*, std::string&) {}
        template <class E, std::size_t N>
        void choice(const char*, E& v, const std::array<std::string_view, N>&)
        {
            v = static_cast<E>(random.whole(0, static_cast<int>(N) - 1));
        }
        template <class E>
        void list(const char*, std::vector<E>& all, std::size_t limit)
        {
            all.resize(static_cast<std::size_t>(random.whole(1, static_cast<int>(limit))));
            for (E& entry : all)
                E::fields(*this, entry);
        }
    };
    template <std::size_t I>
    StepParameters parametersOf(int kind)
    {
        using T = std::variant_alternative_t<I, StepKinds>;
        if constexpr (!std::is_same_v<T, UnknownStep>)
            if (kind != static_cast<int>(I))
                return parametersOf<I + 1>(kind);
        if constexpr (std::is_same_v<T, ToneCurve>)
            return curve();
        else if constexpr (std::is_same_v<T, SplitToning>)
            return dyes();
        else if constexpr (std::is_same_v<T, HueShifts>)
            return hues();
        else if constexpr (std::is_same_v<T, LookupTable>)
            return lookup();
        else if constexpr (std::is_same_v<T, UnknownStep>)
            return T{
                "unheard-of",
                "{}",
            };
        else
            return any<T>();
    }
    std::mt19937_64 m_engine;
};

}  // namespace amber::test
