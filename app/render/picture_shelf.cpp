#include "app/render/picture_shelf.h"

#include <QStandardPaths>
#include <cstring>

namespace amber {
namespace {

struct Head {
    int width, height, format;
    qsizetype bytesPerLine;
};

}  // namespace

std::filesystem::path PictureShelf::folder()
{
    return (QStandardPaths::writableLocation(QStandardPaths::GenericCacheLocation) + "/jolly-amber").toStdString();
}

void PictureShelf::put(const std::string& name, const QImage& image)
{
    const Head head{image.width(), image.height(), image.format(), image.bytesPerLine()};
    Bytes bytes(sizeof head + static_cast<std::size_t>(image.sizeInBytes()));
    std::memcpy(bytes.data(), &head, sizeof head);
    std::memcpy(bytes.data() + sizeof head, image.constBits(), static_cast<std::size_t>(image.sizeInBytes()));
    m_shelf.put(name, std::move(bytes));
}

QImage PictureShelf::picture(const std::string& name)
{
    auto bytes = m_shelf.get(name);
    if (!bytes)
        return {};
    Head head{};
    std::memcpy(&head, bytes->data(), sizeof head);
    // The picture holds its block for as long as it is used.
    auto* const held = new std::shared_ptr<const Bytes>(std::move(bytes));
    return QImage(
        reinterpret_cast<const uchar*>((*held)->data() + sizeof head), head.width, head.height, head.bytesPerLine,
        static_cast<QImage::Format>(head.format),
        [](void* block) { delete static_cast<std::shared_ptr<const Bytes>*>(block); }, held);
}

}  // namespace amber
