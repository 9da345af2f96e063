// What the fast engine needs of a lookup table, prepared once per change.
#pragma once

#include "core/colour/transfer_kernel.h"
#include "core/look/steps/kernel_domain.h"
#include "core/look/steps/lookup_table/lookup_table.h"

#include <algorithm>
#include <cmath>
#include <hwy/aligned_allocator.h>

namespace amber {

/// One part of a table in float: inputs become positions  (v - low) scale, held to the table.
struct TablePart {
    int size = 0;
    const float* values = nullptr;
    float low[3]{}, scale[3]{};
    TablePart(int n, const std::vector<float>& all, const std::array<double, 3>& from, const std::array<double, 3>& to)
        : size(n), values(all.data())
    {
        for (std::size_t k = 0; k < 3; ++k)
            low[k] = static_cast<float>(from[k]), scale[k] = static_cast<float>((n - 1) / (to[k] - from[k]));
    }
};

/// The samples of a cube four floats apart on lines of 16 bytes, so that each is read at once and none lies across two
/// lines of the cache.
std::shared_ptr<const hwy::AlignedFreeUniquePtr<float[]>> alignedSamples(const std::shared_ptr<const Table>& table);

struct LookupTableKernel {
    std::shared_ptr<const Table> table;
    std::shared_ptr<const hwy::AlignedFreeUniquePtr<float[]>> samples;  ///< of the 3D part
    TablePart curves, cube;                                             ///< the 1D and the 3D part; size 0: none
    TransferKernel input, output;
    float toInput[3][3], fromOutput[3][3], mix;
    float slope[3], offset[3], power[3], saturation;  ///< of the CDL part
    bool isLinear;                                    ///< linear working-space values in and out: nothing to encode

    bool isCubeAlone;  ///< nothing but a cube of tame values on linear ones: it can run without planes

    Domain domain() const { return Domain::Rgb; }

    explicit LookupTableKernel(const LookupTable& step)
        : table(step.table), samples(alignedSamples(step.table)),
          curves(table->size1, table->values1, table->domainMin1, table->domainMax1),
          cube(table->size3, table->values3, table->domainMin3, table->domainMax3), input(step.inputSpace),
          output(step.outputSpace), mix(static_cast<float>(step.mix)),
          isLinear(step.inputSpace == RgbSpace::Linear && step.outputSpace == RgbSpace::Linear)
    {
        isCubeAlone =
            isLinear && samples && curves.size == 0 && !table->cdl && mix == 1 &&
            std::all_of(table->values3.begin(), table->values3.end(), [](float v) { return std::abs(v) < 1e4f; });
        if (samples)
            cube.values = samples->get();
        const Cdl cdl = table->cdl.value_or(Cdl{});
        for (std::size_t k = 0; k < 3; ++k)
            slope[k] = static_cast<float>(cdl.slope[k]), offset[k] = static_cast<float>(cdl.offset[k]),
            power[k] = static_cast<float>(cdl.power[k]);
        saturation = static_cast<float>(cdl.saturation);
        for (int i = 0; i < 3; ++i)
            for (int j = 0; j < 3; ++j) {
                toInput[i][j] = static_cast<float>(fromWorking(step.inputSpace).m[i][j]);
                fromOutput[i][j] = static_cast<float>(toWorking(step.outputSpace).m[i][j]);
            }
    }
};

inline LookupTableKernel kernelOf(const LookupTable& step) { return LookupTableKernel(step); }

}  // namespace amber
