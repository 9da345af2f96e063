// The space in which a step's kernel takes and leaves pixels; the fast engine converts only where it changes.
#pragma once

namespace amber {

enum class Domain {
    Rgb,    ///< linear light in the working space
    Roots,  ///< signed cube roots of its channels; for a neutral, the tone axis
    OkLab   ///< OKLab (L, a, b)
};

}  // namespace amber
