// The kinds of table files that OpenColorIO reads and writes. This is the one place where it is used.
#include "core/base/content_hash.h"
#include "core/base/private_folder.h"
#include "core/table/xml_check.h"
#include "core/table_files/table_file.h"

#include <OpenColorIO/OpenColorIO.h>

#include <algorithm>
#include <cmath>
#include <cstdlib>
#include <fstream>
#include <optional>
#include <sstream>

namespace OCIO = OCIO_NAMESPACE;

namespace amber {
namespace {

constexpr std::size_t kMostNumbers = std::size_t{3} * kTable3Limit * kTable3Limit * kTable3Limit;
constexpr int kSampledEdge = 65;

/// The checked text as a file of its own: OpenColorIO reads files only, and remembers them by name, so every one is
/// new.
class CheckedFile {
public:
    CheckedFile(std::string_view text, const std::string& ending)
    {
        if (!m_folder)
            return;
        m_path = m_folder->path() / ("table" + ending);
        std::ofstream out(m_path, std::ios::binary);
        out.write(text.data(), static_cast<std::streamsize>(text.size()));
        m_good = static_cast<bool>(out.flush());
    }
    ~CheckedFile() { OCIO::ClearAllCaches(); }
    CheckedFile(const CheckedFile&) = delete;
    CheckedFile& operator=(const CheckedFile&) = delete;
    const std::filesystem::path& path() const { return m_path; }
    bool isGood() const { return m_good; }

private:
    std::optional<PrivateFolder> m_folder = PrivateFolder::make();
    std::filesystem::path m_path;
    bool m_good = false;
};

/// What went wrong there, in one line and without our temporary name.
std::string reason(const std::exception& error, const CheckedFile& file)
{
    std::string text = error.what();
    for (const std::string& name : {file.path().string(), file.path().filename().string()})
        for (std::size_t at; (at = text.find(name)) != std::string::npos;)
            text.replace(at, name.size(), "the file");
    std::replace(text.begin(), text.end(), '\n', ' ');
    // Of all it says, what the reader of this kind found.
    if (const std::size_t at = text.find("failed with: "); at != std::string::npos)
        text = text.substr(at + 13);
    if (const std::size_t at = text.find("'.  Error is: "); at != std::string::npos)
        text = text.substr(at + 14);
    if (const std::size_t at = text.find("Error is: "); at != std::string::npos)
        text = text.substr(at + 10);
    while (!text.empty() && (text.back() == ' ' || text.back() == '.'))
        text.pop_back();
    return text.substr(0, 200);
}

void quiet()
{
    static const bool once = [] {
        OCIO::SetLoggingLevel(OCIO::LOGGING_LEVEL_NONE);
        return true;
    }();
    (void)once;
}

Table tableOf(const OCIO::Lut3DTransform& lut)
{
    Table table;
    const auto n = lut.getGridSize();
    table.size3 = static_cast<int>(n);
    table.values3.resize(3 * n * n * n);
    float* v = table.values3.data();
    for (unsigned long b = 0; b < n; ++b)
        for (unsigned long g = 0; g < n; ++g)
            for (unsigned long r = 0; r < n; ++r, v += 3)
                lut.getValue(r, g, b, v[0], v[1], v[2]);
    return table;
}

void addCurves(Table& table, const OCIO::Lut1DTransform& lut)
{
    const auto n = lut.getLength();
    table.size1 = static_cast<int>(n);
    table.values1.resize(3 * n);
    for (unsigned long i = 0; i < n; ++i)
        lut.getValue(i, table.values1[3 * i], table.values1[3 * i + 1], table.values1[3 * i + 2]);
}

struct Domain {
    std::array<double, 3> low, high;
};

/// The domain that a diagonal matrix with offsets brings to 0..1.
std::optional<Domain> domainOf(const OCIO::MatrixTransform& matrix)
{
    double m[16], offset[4];
    matrix.getMatrix(m);
    matrix.getOffset(offset);
    Domain domain{};
    for (std::size_t k = 0; k < 3; ++k) {
        for (std::size_t j = 0; j < 3; ++j)
            if (j != k && m[4 * k + j] != 0)
                return std::nullopt;
        if (!(m[5 * k] > 0) || !std::isfinite(m[5 * k]) || !std::isfinite(offset[k]))
            return std::nullopt;
        domain.low[k] = -offset[k] / m[5 * k], domain.high[k] = (1 - offset[k]) / m[5 * k];
    }
    return domain;
}

Cdl cdlOf(const OCIO::CDLTransform& transform)
{
    Cdl cdl;
    transform.getSlope(cdl.slope.data());
    transform.getOffset(cdl.offset.data());
    transform.getPower(cdl.power.data());
    cdl.saturation = transform.getSat();
    return cdl;
}

/// Puts the parts of a group into a table as long as they are what a table holds, in its order.
class PlainParts {
public:
    /// False: this part is none of a table's, or does not come where a table has it.
    bool take(const OCIO::ConstTransformRcPtr& part)
    {
        if (part->getDirection() != OCIO::TRANSFORM_DIR_FORWARD)
            return false;
        if (const auto matrix = std::dynamic_pointer_cast<const OCIO::MatrixTransform>(part))
            return takeDomain(*matrix);
        if (const auto cdl = std::dynamic_pointer_cast<const OCIO::CDLTransform>(part))
            return takeCdl(*cdl);
        if (const auto curves = std::dynamic_pointer_cast<const OCIO::Lut1DTransform>(part))
            return takeCurves(*curves);
        if (const auto lut = std::dynamic_pointer_cast<const OCIO::Lut3DTransform>(part))
            return takeLattice(*lut);
        return false;
    }
    std::optional<Table> result() &&
    {
        const bool isWhole = !m_domain && (m_table.size1 > 0 || m_hasLattice || m_table.cdl);
        return isWhole ? std::optional(std::move(m_table)) : std::nullopt;
    }

private:
    bool takeDomain(const OCIO::MatrixTransform& matrix)
    {
        const auto next = domainOf(matrix);
        if (m_domain || !next)
            return false;
        m_domain = next;
        return true;
    }
    bool takeCdl(const OCIO::CDLTransform& cdl)
    {
        if (m_table.cdl || m_table.size1 > 0 || m_hasLattice || m_domain || cdl.getStyle() != OCIO::CDL_ASC)
            return false;
        m_table.cdl = cdlOf(cdl);
        return true;
    }
    bool takeCurves(const OCIO::Lut1DTransform& curves)
    {
        if (m_hasLattice || m_table.size1 > 0 || curves.getInputHalfDomain() || curves.getLength() < 2 ||
            curves.getLength() > static_cast<unsigned long>(kTable1Limit) || curves.getHueAdjust() != OCIO::HUE_NONE)
            return false;
        addCurves(m_table, curves);
        if (m_domain)
            m_table.domainMin1 = m_domain->low, m_table.domainMax1 = m_domain->high;
        m_domain.reset();
        return true;
    }
    bool takeLattice(const OCIO::Lut3DTransform& lut)
    {
        if (m_hasLattice || lut.getGridSize() < 2 || lut.getGridSize() > static_cast<unsigned long>(kTable3Limit))
            return false;
        Table own = tableOf(lut);
        m_table.size3 = own.size3, m_table.values3 = std::move(own.values3);
        if (m_domain)
            m_table.domainMin3 = m_domain->low, m_table.domainMax3 = m_domain->high;
        m_domain.reset();
        return m_hasLattice = true;
    }

    Table m_table;
    bool m_hasLattice = false;
    std::optional<Domain> m_domain;  ///< a diagonal matrix before a part
};

/// The table when the operations are one 1D part, one 3D part, or the one followed by the other; nothing otherwise.
std::optional<Table> plainParts(const OCIO::GroupTransform& group)
{
    PlainParts parts;
    for (int i = 0; i < group.getNumTransforms(); ++i)
        if (!parts.take(group.getTransform(i)))
            return std::nullopt;
    return std::move(parts).result();
}

bool isFinite(const Table& table)
{
    const auto fine = [](float v) { return std::isfinite(v); };
    return std::all_of(table.values1.begin(), table.values1.end(), fine) &&
           std::all_of(table.values3.begin(), table.values3.end(), fine);
}

Table sampled(const OCIO::ConstProcessorRcPtr& processor)
{
    Table table = identityTable(kSampledEdge);
    const auto cpu =
        processor->getOptimizedCPUProcessor(OCIO::BIT_DEPTH_F32, OCIO::BIT_DEPTH_F32, OCIO::OPTIMIZATION_LOSSLESS);
    OCIO::PackedImageDesc pixels(table.values3.data(), static_cast<long>(table.values3.size() / 3), 1, 3);
    cpu->apply(pixels);
    return table;
}

/// Brings a range onto 0 to 1; nothing for that range itself.
void appendDomain(OCIO::GroupTransform& group, const std::array<double, 3>& low, const std::array<double, 3>& high)
{
    if (low == std::array<double, 3>{0, 0, 0} && high == std::array<double, 3>{1, 1, 1})
        return;
    auto matrix = OCIO::MatrixTransform::Create();
    double scale[16] = {}, offset[4] = {};
    for (int k = 0; k < 3; ++k)
        scale[5 * k] = 1 / (high[k] - low[k]), offset[k] = -low[k] / (high[k] - low[k]);
    scale[15] = 1;
    matrix->setMatrix(scale);
    matrix->setOffset(offset);
    group.appendTransform(matrix);
}

OCIO::CDLTransformRcPtr transformOf(const Cdl& from)
{
    auto cdl = OCIO::CDLTransform::Create();
    cdl->setSlope(from.slope.data());
    cdl->setOffset(from.offset.data());
    cdl->setPower(from.power.data());
    cdl->setSat(from.saturation);
    cdl->setStyle(OCIO::CDL_ASC);
    return cdl;
}

OCIO::Lut1DTransformRcPtr curvesOf(const Table& table)
{
    auto lut = OCIO::Lut1DTransform::Create(static_cast<unsigned long>(table.size1), false);
    lut->setFileOutputBitDepth(OCIO::BIT_DEPTH_F32);
    for (std::size_t i = 0; i < static_cast<std::size_t>(table.size1); ++i)
        lut->setValue(static_cast<unsigned long>(i), table.values1[3 * i], table.values1[3 * i + 1],
                      table.values1[3 * i + 2]);
    return lut;
}

OCIO::Lut3DTransformRcPtr latticeOf(const Table& table)
{
    const auto n = static_cast<unsigned long>(table.size3);
    auto lut = OCIO::Lut3DTransform::Create(n);
    lut->setFileOutputBitDepth(OCIO::BIT_DEPTH_F32);
    lut->setInterpolation(OCIO::INTERP_TETRAHEDRAL);
    const float* v = table.values3.data();
    for (unsigned long b = 0; b < n; ++b)
        for (unsigned long g = 0; g < n; ++g)
            for (unsigned long r = 0; r < n; ++r, v += 3)
                lut->setValue(r, g, b, v[0], v[1], v[2]);
    return lut;
}

OCIO::GroupTransformRcPtr groupOf(const Table& table)
{
    auto group = OCIO::GroupTransform::Create();
    if (table.cdl)
        group->appendTransform(transformOf(*table.cdl));
    if (table.size1 > 0) {
        appendDomain(*group, table.domainMin1, table.domainMax1);
        group->appendTransform(curvesOf(table));
    }
    if (table.size3 > 0) {
        appendDomain(*group, table.domainMin3, table.domainMax3);
        group->appendTransform(latticeOf(table));
    }
    if (!table.title.empty())
        group->getFormatMetadata().setName(table.title.c_str());
    group->getFormatMetadata().setID(
        contentHash(table.title + std::to_string(table.size1) + " " + std::to_string(table.size3)).c_str());
    return group;
}

Result<std::string> written(const Table& table, const char* format)
{
    quiet();
    try {
        std::ostringstream out;
        groupOf(table)->write(OCIO::Config::CreateRaw(), format, out);
        return out.str();
    } catch (const std::exception& error) {
        return fail("cannot be written: " + std::string(error.what()));
    }
}

/// The correction of this id among those of a file, or the first; all ids are listed.
std::optional<Table> namedCdl(const OCIO::GroupTransform& group, const std::string& id, std::string& ids)
{
    std::optional<Table> found;
    for (int i = 0; i < group.getNumTransforms(); ++i) {
        const auto cdl = std::dynamic_pointer_cast<const OCIO::CDLTransform>(group.getTransform(i));
        if (!cdl)
            continue;
        const char* own = cdl->getFormatMetadata().getID();
        ids += std::string(ids.empty() ? "" : ", ") + (own && *own ? own : "(no id)");
        if (found || (!id.empty() && (!own || id != own)))
            continue;
        found.emplace();
        found->cdl = cdlOf(*cdl);
        found->title = own ? own : "";
    }
    return found;
}

Status withinLimits(const Cdl& cdl, const std::string& name)
{
    for (std::size_t k = 0; k < 3; ++k)
        if (!(cdl.slope[k] >= 0 && cdl.power[k] > 0) || !std::isfinite(cdl.slope[k]) || !std::isfinite(cdl.offset[k]) ||
            !std::isfinite(cdl.power[k]))
            return fail("correction outside its limits", name, "slope 0 or more, power above 0, finite numbers");
    if (!(cdl.saturation >= 0) || !std::isfinite(cdl.saturation))
        return fail("correction outside its limits", name, "saturation 0 or more");
    return {};
}

}  // namespace

Result<TableFile> parseClf(std::string_view text, const std::string& name)
{
    if (auto good = checkXml(text, name,
                             {{{"Array", {kMostNumbers}}, {"IndexMap", {kMostNumbers}}},
                              {"ProcessList"},
                              {},
                              {{"Matrix", "Array"}, {"LUT1D", "Array"}, {"LUT3D", "Array"}}});
        !good)
        return tl::make_unexpected(good.error());
    quiet();
    const CheckedFile file(text, ".clf");
    if (!file.isGood())
        return fail("cannot be checked: no room for a temporary file", name);
    try {
        auto transform = OCIO::FileTransform::Create();
        transform->setSrc(file.path().c_str());
        const auto processor = OCIO::Config::CreateRaw()->getProcessor(transform);
        const auto group = processor->createGroupTransform();
        if (group->getNumTransforms() > 64)
            return fail("too many operations", name, "at most 64", std::to_string(group->getNumTransforms()));
        TableFile result{{}, TableFormat::Clf, {}};
        if (auto parts = plainParts(*group))
            result.table = std::move(*parts);
        else {
            result.table = sampled(processor);
            result.remark = "its operations are more than a 1D and a 3D part: sampled at " +
                            std::to_string(kSampledEdge) + " to the edge over 0 to 1";
        }
        if (!isFinite(result.table))
            return fail("not a finite number in the result", name, "finite numbers");
        if (const char* title = group->getFormatMetadata().getName())
            result.table.title = title;
        return result;
    } catch (const std::exception& error) {
        return fail("not a Common LUT Format file: " + reason(error, file), name);
    }
}

Result<Table> parseCdl(std::string_view text, const std::string& name, const std::string& id)
{
    const auto root =
        checkXml(text, name,
                 {{{"Slope", {3, 3, 0}}, {"Offset", {3, 3}}, {"Power", {3, 3, 0, true}}, {"Saturation", {1, 1, 0}}},
                  {"ColorCorrection", "ColorCorrectionCollection", "ColorDecisionList"},
                  {"ColorCorrection", "ColorCorrectionCollection", "ColorDecision", "ColorDecisionList", "Description",
                   "InputDescription", "MediaRef", "Offset", "Power", "SATNode", "SOPNode", "SatNode", "Saturation",
                   "Slope", "ViewingDescription"},
                  {}});
    if (!root)
        return tl::make_unexpected(root.error());
    quiet();
    const std::string ending = *root == "ColorDecisionList"           ? ".cdl"
                               : *root == "ColorCorrectionCollection" ? ".ccc"
                                                                      : ".cc";
    const CheckedFile file(text, ending);
    if (!file.isGood())
        return fail("cannot be checked: no room for a temporary file", name);
    try {
        const auto group = OCIO::CDLTransform::CreateGroupFromFile(file.path().c_str());
        std::string ids;
        std::optional<Table> found = namedCdl(*group, id, ids);
        if (!found)
            return fail(id.empty() ? "holds no colour correction" : "holds no colour correction of this name", name,
                        ids.empty() ? "<ColorCorrection>" : ids, id);
        if (id.empty() && group->getNumTransforms() > 1)
            return fail("holds several colour corrections: name one as " + name + "#id", name, ids);
        if (const Status good = withinLimits(*found->cdl, name); !good)
            return tl::make_unexpected(good.error());
        return std::move(*found);
    } catch (const std::exception& error) {
        return fail("not an ASC CDL file: " + reason(error, file), name);
    }
}

Result<std::string> formatClf(const Table& table) { return written(table, "Academy/ASC Common LUT Format"); }

Result<std::string> formatCdl(const Table& table, const std::string& ending)
{
    if (!table.cdl || table.size1 > 0 || table.size3 > 0)
        return fail("an ASC CDL file takes slope, offset, power and saturation only", {},
                    "a CDL, or a look to be fitted");
    return written(table, ending == ".ccc"   ? "ColorCorrectionCollection"
                          : ending == ".cdl" ? "ColorDecisionList"
                                             : "ColorCorrection");
}

}  // namespace amber
