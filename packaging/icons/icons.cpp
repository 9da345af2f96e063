// Draws an SVG file into a PNG file of so many pixels each way. usage: amber_icons FILE.svg SIZE FILE.png
#include <QDir>
#include <QFileInfo>
#include <QImage>
#include <QPainter>
#include <QSvgRenderer>
#include <cstdio>

int main(int argc, char** argv)
{
    const int size = argc == 4 ? QString(argv[2]).toInt() : 0;
    QSvgRenderer drawing(argc == 4 ? QString::fromLocal8Bit(argv[1]) : QString());
    if (size <= 0 || !drawing.isValid()) {
        std::fprintf(stderr, "usage: amber_icons FILE.svg SIZE FILE.png\n");
        return 2;
    }
    QImage picture(size, size, QImage::Format_ARGB32);
    picture.fill(Qt::transparent);
    QPainter painter(&picture);
    drawing.render(&painter, QRectF(0, 0, size, size));
    painter.end();
    const QString file = QString::fromLocal8Bit(argv[3]);
    if (!QDir().mkpath(QFileInfo(file).path()) || !picture.save(file)) {
        std::fprintf(stderr, "amber_icons: %s cannot be written\n", argv[3]);
        return 1;
    }
    return 0;
}
