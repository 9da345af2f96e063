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

}  // namespace

Status copyMetadata(const std::filesystem::path& source, const std::filesystem::path& target)
{
    const std::lock_guard lock(exivMutex());
    Exiv2::ExifData exif;
    Exiv2::IptcData iptc;
    Exiv2::XmpData xmp;
    try {
        const auto from = Exiv2::ImageFactory::open(source.string());
        from->readMetadata();
        for (const auto& datum : from->exifData())
            if (travels(datum))
                exif.add(datum);
        iptc = from->iptcData();
        for (const auto& datum : from->xmpData())
            if (datum.key() != "Xmp.tiff.Orientation" && datum.groupName() != "xmpMM")
                xmp.add(datum);
    } catch (const std::exception&) {
        return {};
    }
    if (exif.empty() && iptc.empty() && xmp.empty())
        return {};
    try {
        const auto to = Exiv2::ImageFactory::open(target.string());
        to->readMetadata();
        for (const auto& datum : exif) {
            const auto old = to->exifData().findKey(Exiv2::ExifKey(datum.key()));
            if (old != to->exifData().end())
                old->setValue(&datum.value());
            else
                to->exifData().add(datum);
        }
        to->exifData()["Exif.Image.Orientation"] = std::uint16_t{1};
        to->setIptcData(iptc);
        to->setXmpData(xmp);
        to->writeMetadata();
    } catch (const std::exception& error) {
        return fail("its metadata cannot be written: " + std::string(error.what()), target.string());
    }
    return {};
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
