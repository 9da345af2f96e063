// Rows of the à trous transform, by Highway with run-time dispatch (internal to core/optics).
#pragma once

namespace amber {

/// Light of the working space to lightness and two colours of encoded sRGB, and back.
void toLightnessRow(const float* rgb, int count, float* y, float* r, float* b);
void fromLightnessRow(const float* y, const float* r, const float* b, int count, float* rgb);
/// The weights 1 4 6 4 1 over 16 of five rows.
void smoothRows(const float* const (&rows)[5], int count, float* out);
/// detail = fine - coarse, shrunk by the threshold at the tone (entries even over 0..1, `entries` of them), is added to
/// `sum`.
void shrinkRow(const float* fine, const float* coarse, const float* tone, const float* thresholds, int entries,
               int count, float* sum);

}  // namespace amber
