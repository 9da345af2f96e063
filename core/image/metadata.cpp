#include "core/image/metadata.h"

#include "core/image/opened_picture.h"
#include "core/image/raw.h"

#include "core/base/json_text.h"

#include <cmath>
#include <cstdio>
#include <ctime>
#include <exiv2/exiv2.hpp>
#include <fstream>
#include <mutex>
#include <set>
#include <webp/mux.h>

namespace amber {
namespace {

/// Exiv2's XMP toolkit has global state; one caller at a time.
std::mutex& exivMutex()
{
    static std::mutex mutex;
    static const bool once = [] {
        Exiv2::LogMsg::setLevel(Exiv2::LogMsg::mute);
        Exiv2::XmpParser::initialize();
        return true;
    }();
    (void)once;
    return mutex;
}

bool travels(const Exiv2::Exifdatum& datum)
{
    static const std::set<std::string> described{
        "ImageDescription", "Make",          "Model",   "Software",  "DateTime", "Artist",     "Copyright",
        "Rating",           "RatingPercent", "XPTitle", "XPComment", "XPAuthor", "XPKeywords", "XPSubject"};
    static const std::set<std::string> ofPixels{
        "PixelXDimension",         "PixelYDimension",        "ColorSpace",
        "ComponentsConfiguration", "CompressedBitsPerPixel", "InteroperabilityTag"};
    const std::string group = datum.groupName();
    if (group == "Image")
        return described.count(datum.tagName()) > 0;
    if (group == "Photo")
        return ofPixels.count(datum.tagName()) == 0;
    return group == "GPSInfo";
}

/// Where a picture was taken, and by which very camera and whose.
bool tellsPlaceOrOwner(const std::string& key)
{
    for (const char* part : {"GPS", "Serial", "MakerNote", "OwnerName", "ImageUniqueID", "Location", "City", "Province",
                             ".State", "Country", "OwnerID", "DocumentID", "InstanceID"})
        if (key.find(part) != key.npos)
            return true;
    return false;
}

struct Described {
    Exiv2::ExifData exif;
    Exiv2::IptcData iptc;
    Exiv2::XmpData xmp;
    bool isEmpty() const { return exif.empty() && iptc.empty() && xmp.empty(); }
};

Described describedBy(const std::filesystem::path& source, MetadataRule::Keep keep)
{
    Described all;
    if (source.empty() || keep == MetadataRule::Keep::None)
        return all;
    const auto goes = [&](const std::string& key) {
        return keep == MetadataRule::Keep::All || !tellsPlaceOrOwner(key);
    };
    try {
        const auto from = Exiv2::ImageFactory::open(source.string());
        from->readMetadata();
        for (const auto& datum : from->exifData())
            if (travels(datum) && goes(datum.key()))
                all.exif.add(datum);
        for (const auto& datum : from->iptcData())
            if (goes(datum.key()))
                all.iptc.add(datum);
        for (const auto& datum : from->xmpData())
            if (datum.key() != "Xmp.tiff.Orientation" && datum.groupName() != "xmpMM" && goes(datum.key()))
                all.xmp.add(datum);
    } catch (const std::exception&) {
        return {};
    }
    return all;
}

void sayAuthorAndRights(Described& all, const MetadataRule& rule)
{
    if (!rule.author.empty()) {
        all.exif["Exif.Image.Artist"] = rule.author;
        all.iptc["Iptc.Application2.Byline"] = rule.author;
        all.xmp["Xmp.dc.creator"] = rule.author;
    }
    if (!rule.rights.empty()) {
        all.exif["Exif.Image.Copyright"] = rule.rights;
        all.iptc["Iptc.Application2.Copyright"] = rule.rights;
        all.xmp["Xmp.dc.rights"] = rule.rights;
    }
    if (!rule.author.empty() || !rule.rights.empty())
        all.iptc["Iptc.Envelope.CharacterSet"] = std::string("\033%G");  // UTF-8
}

// A namespace of our own in XMP (ISO 16684-1, 6.2): any URI that nobody else uses.
constexpr const char *kOwnNamespace = "urn:x-jolly-amber:xmp:1.0/", *kOwnPrefix = "jollyamber";

void knowOwnNamespace()
{
    static const bool once = (Exiv2::XmpProperties::registerNs(kOwnNamespace, kOwnPrefix), true);
    (void)once;
}

void sayOwn(Exiv2::XmpData& xmp, const std::map<std::string, std::string>& own)
{
    knowOwnNamespace();
    for (const auto& [name, value] : own)
        xmp[std::string("Xmp.") + kOwnPrefix + "." + name] = value;
}

void sayResolution(Exiv2::ExifData& exif, double ppi)
{
    constexpr std::uint16_t kInch = 2;
    const Exiv2::URational is{static_cast<std::uint32_t>(std::lround(ppi * 100)), 100};
    exif["Exif.Image.XResolution"] = is, exif["Exif.Image.YResolution"] = is;
    exif["Exif.Image.ResolutionUnit"] = kInch;
}

/// WebP files are put together by their own library: chunks of the profile, of EXIF as a TIFF file has it, and of XMP.
Status describeWebp(const std::filesystem::path& target, Described& all, const MetadataRule& rule)
{
    std::ifstream in(target, std::ios::binary);
    const std::string bytes((std::istreambuf_iterator<char>(in)), {});
    const WebPData picture{reinterpret_cast<const std::uint8_t*>(bytes.data()), bytes.size()};
    const std::unique_ptr<WebPMux, void (*)(WebPMux*)> mux(WebPMuxCreate(&picture, 1), &WebPMuxDelete);
    const auto put = [&](const char* name, const auto& chunk) {
        const WebPData data{reinterpret_cast<const std::uint8_t*>(chunk.data()), chunk.size()};
        return chunk.empty() || WebPMuxSetChunk(mux.get(), name, &data, 1) == WEBP_MUX_OK;
    };
    Exiv2::Blob exif;
    std::string xmp;
    if (!all.exif.empty())
        Exiv2::ExifParser::encode(exif, Exiv2::littleEndian, all.exif);
    if (!all.xmp.empty())
        Exiv2::XmpParser::encode(xmp, all.xmp);
    WebPData whole{nullptr, 0};
    if (!mux || !put("ICCP", rule.profile) || !put("EXIF", exif) || !put("XMP ", xmp) ||
        WebPMuxAssemble(mux.get(), &whole) != WEBP_MUX_OK)
        return fail("its metadata cannot be written", target.string());
    std::ofstream out(target, std::ios::binary | std::ios::trunc);
    out.write(reinterpret_cast<const char*>(whole.bytes), static_cast<std::streamsize>(whole.size));
    out.flush();
    WebPDataClear(&whole);
    return out ? Status() : fail("its metadata cannot be written: the disk may be full", target.string());
}

}  // namespace

Status copyMetadata(const std::filesystem::path& source, const std::filesystem::path& target, const MetadataRule& rule)
{
    const std::lock_guard lock(exivMutex());
    Described all = describedBy(source, rule.keep);
    try {
        sayAuthorAndRights(all, rule);
        sayOwn(all.xmp, rule.own);
        if (all.isEmpty() && rule.profile.empty() && rule.ppi <= 0)
            return {};
        if (target.extension() == ".webp") {
            if (!all.isEmpty())
                all.exif["Exif.Image.Orientation"] = std::uint16_t{1};
            if (rule.ppi > 0)
                sayResolution(all.exif, rule.ppi);
            return describeWebp(target, all, rule);
        }
        const auto to = Exiv2::ImageFactory::open(target.string());
        to->readMetadata();
        for (const auto& datum : all.exif) {
            const auto old = to->exifData().findKey(Exiv2::ExifKey(datum.key()));
            if (old != to->exifData().end())
                old->setValue(&datum.value());
            else
                to->exifData().add(datum);
        }
        if (!all.isEmpty())
            to->exifData()["Exif.Image.Orientation"] = std::uint16_t{1};
        if (rule.ppi > 0)
            sayResolution(to->exifData(), rule.ppi);
        to->setIptcData(all.iptc);
        to->setXmpData(all.xmp);
        to->writeMetadata();
    } catch (const std::exception& error) {
        return fail("its metadata cannot be written: " + std::string(error.what()), target.string());
    }
    return {};
}

std::map<std::string, std::string> ownXmp(const std::filesystem::path& path)
{
    const std::lock_guard lock(exivMutex());
    std::map<std::string, std::string> own;
    try {
        knowOwnNamespace();
        const auto image = Exiv2::ImageFactory::open(path.string());
        image->readMetadata();
        for (const auto& datum : image->xmpData())
            if (datum.groupName() == kOwnPrefix)
                own[datum.tagName()] = datum.toString();
    } catch (const std::exception&) {
        return {};
    }
    return own;
}

WebpExtras readWebpExtras(const std::filesystem::path& path)
{
    const std::lock_guard lock(exivMutex());
    WebpExtras extras;
    try {
        const auto image = Exiv2::ImageFactory::open(path.string());
        image->readMetadata();
        if (const Exiv2::DataBuf* icc = image->iccProfile(); icc && icc->pData_)
            extras.icc.assign(icc->pData_, icc->pData_ + icc->size_);
        if (const auto found = image->exifData().findKey(Exiv2::ExifKey("Exif.Image.Orientation"));
            found != image->exifData().end())
            extras.orientation = static_cast<int>(found->toLong());
    } catch (const std::exception&) {
        return {};  // whatever is damaged there, the picture itself is judged by its decoder
    }
    return extras;
}

std::string captureTime(const std::filesystem::path& path)
{
    const std::lock_guard lock(exivMutex());
    try {
        const auto image = Exiv2::ImageFactory::open(path.string());
        image->readMetadata();
        const auto found = image->exifData().findKey(Exiv2::ExifKey("Exif.Photo.DateTimeOriginal"));
        return found == image->exifData().end() ? std::string() : found->toString();
    } catch (const std::exception&) {
        return {};
    }
}

double CaptureFacts::exposureStops() const
{
    return std::log2(exposureSeconds * sensitivity / (100 * fNumber * fNumber));
}

namespace {

/// Kelvin of the light sources that EXIF names (EXIF 2.32, table 8; those of CIE by their own, ranges by their middle).
double kelvinOfSource(long source)
{
    switch (source) {
    case 1:
    case 9:
    case 20:
        return 5500;  // daylight, fine weather, D55
    case 3:
    case 17:
        return 2856;  // tungsten, A
    case 4:
        return 5500;  // flash
    case 10:
    case 21:
        return 6504;  // cloudy, D65
    case 11:
    case 22:
        return 7504;  // shade, D75
    case 12:
        return 6400;
    case 13:
        return 5000;
    case 14:
        return 4150;
    case 15:
        return 3525;
    case 16:
        return 2925;
    case 18:
        return 4874;  // B
    case 19:
        return 6774;  // C
    case 23:
        return 5003;  // D50
    case 24:
        return 3200;  // studio tungsten
    default:
        return 0;
    }
}

/// The white a camera wrote down: as (x, y) in the tag that raw files have for it, or as kelvin under whatever name its
/// maker gives it.
void readWhite(const Exiv2::ExifData& exif, CaptureFacts& facts)
{
    using From = CaptureFacts::WhiteFrom;
    if (const auto xy = exif.findKey(Exiv2::ExifKey("Exif.Image.AsShotWhiteXY"));
        xy != exif.end() && xy->count() == 2) {
        const double x = xy->toFloat(0), y = xy->toFloat(1);
        if (x > 0.2 && x < 0.6 && y > 0.2 && y < 0.6) {
            facts.whiteXy = {x, y}, facts.whiteFrom = From::Written;
            return;
        }
    }
    constexpr double kLeast = 1500, kMost = 25000;
    for (const Exiv2::Exifdatum& d : exif)
        if ((d.tagName() == "ColorTemperature" || d.tagName() == "ColourTemperature") && d.count() == 1)
            if (const double kelvin = d.toFloat(); kelvin >= kLeast && kelvin <= kMost) {
                facts.whiteKelvin = kelvin, facts.whiteFrom = From::Written;
                return;
            }
    if (const auto source = exif.findKey(Exiv2::ExifKey("Exif.Photo.LightSource"));
        source != exif.end() && source->count() > 0)
        if (const double kelvin = kelvinOfSource(source->toLong()); kelvin > 0)
            facts.whiteKelvin = kelvin, facts.whiteFrom = From::Setting;
}

}  // namespace

CaptureFacts captureFacts(const std::filesystem::path& path)
{
    const std::lock_guard lock(exivMutex());
    CaptureFacts facts;
    try {
        const auto image = Exiv2::ImageFactory::open(path.string());
        image->readMetadata();
        const Exiv2::ExifData& exif = image->exifData();
        const auto words = [&](const char* key) {
            const auto found = exif.findKey(Exiv2::ExifKey(key));
            return found == exif.end() ? std::string() : found->toString();
        };
        const auto number = [&](const char* key) {
            const auto found = exif.findKey(Exiv2::ExifKey(key));
            const double value =
                found == exif.end() || found->count() == 0 ? 0.0 : static_cast<double>(found->toFloat());
            return std::isfinite(value) && value > 0 ? value : 0.0;
        };
        std::tm time{};
        const std::string taken = words("Exif.Photo.DateTimeOriginal");
        if (std::sscanf(taken.c_str(), "%d:%d:%d %d:%d:%d", &time.tm_year, &time.tm_mon, &time.tm_mday, &time.tm_hour,
                        &time.tm_min, &time.tm_sec) == 6) {
            time.tm_year -= 1900, time.tm_mon -= 1;
            facts.seconds = std::max<std::int64_t>(0, timegm(&time));
        }
        facts.camera = validUtf8(words("Exif.Image.Model"));
        facts.lens = validUtf8(words("Exif.Photo.LensModel"));
        facts.exposureSeconds = number("Exif.Photo.ExposureTime");
        facts.fNumber = number("Exif.Photo.FNumber");
        facts.sensitivity = number("Exif.Photo.ISOSpeedRatings");
        facts.maker = validUtf8(words("Exif.Image.Make"));
        facts.focalLength = number("Exif.Photo.FocalLength");
        readWhite(exif, facts);
    } catch (const std::exception&) {
    }
    if (wantsRaw(path))
        if (const auto white = rawWhite(path))
            facts.whiteXy = *white, facts.whiteKelvin = 0, facts.whiteFrom = CaptureFacts::WhiteFrom::Neutral;
    return facts;
}

double jpegQuality(const std::filesystem::path& path)
{
    constexpr double kPrintedMean = 57.625;  // of table K.1
    constexpr std::size_t kHead = 1 << 20;
    std::ifstream file(path, std::ios::binary);
    std::vector<unsigned char> head(kHead);
    file.read(reinterpret_cast<char*>(head.data()), static_cast<std::streamsize>(head.size()));
    head.resize(static_cast<std::size_t>(std::max<std::streamsize>(0, file.gcount())));
    if (head.size() < 4 || head[0] != 0xFF || head[1] != 0xD8)
        return 100;
    for (std::size_t at = 2; at + 4 <= head.size() && head[at] == 0xFF && head[at + 1] != 0xDA;) {
        const std::size_t length = head[at + 2] * std::size_t{256} + head[at + 3];
        // A table of quantisation; the first is that of luminance.
        if (head[at + 1] == 0xDB && length >= 67 && at + 2 + length <= head.size()) {
            const bool wide = head[at + 4] >> 4;
            double sum = 0;
            for (std::size_t i = 0; i < 64 && (!wide || length >= 131); ++i)
                sum += wide ? head[at + 5 + 2 * i] * 256.0 + head[at + 6 + 2 * i] : head[at + 5 + i];
            const double percent = 100 * sum / 64 / kPrintedMean;
            return percent <= 0 ? 100 : std::clamp(percent <= 100 ? (200 - percent) / 2 : 5000 / percent, 1.0, 100.0);
        }
        at += 2 + length;
    }
    return 100;
}

}  // namespace amber
