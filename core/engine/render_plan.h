// Look -> plan -> pixels. A plan is what the engine runs: immutable, prepared once per change, shared by screen, table
// export, command line and file export, so that they agree bit for bit.
#pragma once

#include "core/base/cancel.h"
#include "core/engine/role_masks.h"
#include "core/image/image.h"
#include "core/look/look.h"

#include <memory>

namespace amber {

class RenderPlan {
public:
    struct Program;

    /// The first `count` steps of a look. Steps that change nothing are left out. Fails when the look does not
    /// validate.
    static Result<RenderPlan> compile(const Look& look, std::size_t count = kStepLimit);

    const Program& program() const { return *m_program; }
    /// Names what the plan does; equal hashes give equal pixels.
    const std::string& hash() const { return m_hash; }
    bool isIdentity() const;
    bool hasSpatial() const { return m_hasSpatial; }
    /// The roles that its steps are bound to: render() needs their masks.
    const std::vector<std::string>& roles() const { return m_roles; }
    /// True when a step must see the whole picture before it can begin; otherwise bands of rows may be rendered by
    /// themselves.
    bool needsWholePicture() const;

private:
    std::shared_ptr<const Program> m_program;
    std::string m_hash;
    std::vector<std::string> m_roles;
    bool m_hasSpatial = false;
};

/// What a render is of. Output sharpening acts on the pixels of the file that is delivered: an export that reduces the
/// picture renders the look, reduces, then renders the output; everything else renders all at once.
struct RenderOptions {
    enum class Stage { All, Look, Output };
    Stage stage = Stage::All;
    int deliveredLongEdge = 0;  ///< of the file that would be delivered; 0: the picture's own
    int firstRow = 0;           ///< when only a band of rows is rendered: which row of the picture its first is,
    int wholeHeight =
        0;  ///< and how many the picture has; 0: all are rendered. Not for plans that need the whole picture.
    std::shared_ptr<const RoleMasks> masks =
        {};  ///< of the whole picture; a step that is bound to a role that has none does nothing
};

/// Fast engine: float, SIMD by Highway with run-time dispatch, rows shared out by oneTBB. A spatial step that needs the
/// picture ends a pass over it: the passes before it are done in `out`. `out` may be `in`. Pixels do not depend on the
/// number of threads. Returns false when cancelled between tiles; `out` is then unfinished.
bool render(const RenderPlan& plan, ImageView in, MutableImageView out, const CancelToken& cancel = {},
            const RenderOptions& options = {});

/// The definition: double precision, one pixel at a time (look.h). Spatial steps are prepared by the same code as in
/// the fast engine. For tests.
void renderPlain(const Look& look, ImageView in, MutableImageView out, const RenderOptions& options = {});

/// Where a step works, 0..1 as grey: its guard, times the edge mask of output sharpening. `in` is the picture as it
/// enters the step.
Image maskOf(const Step& step, ImageView in, const RenderOptions& options = {});

/// Names of the SIMD targets this machine can run, and a way for tests to run on one of them ("" gives the choice
/// back).
std::vector<std::string> simdTargets();
void useSimdTarget(const std::string& name);

}  // namespace amber
