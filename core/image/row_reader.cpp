#include "core/image/opened_picture.h"
#include "core/image/rows.h"

namespace amber {

struct RowReader::State {
    OpenedPicture opened;
    PictureInfo info;
    std::filesystem::path path;
    int next = 0;
};

RowReader::RowReader(std::unique_ptr<State> state) : m_state(std::move(state)) {}
RowReader::~RowReader() = default;

Result<std::unique_ptr<RowReader>> RowReader::open(const std::filesystem::path& path)
{
    if (wantsRaw(path))
        return std::unique_ptr<RowReader>();
    auto opened = openPicture(path);
    if (!opened)
        return tl::make_unexpected(opened.error());
    if (opened->orientation != 1 || opened->spec.alpha_channel >= 0)
        return std::unique_ptr<RowReader>();
    auto info = describe(*opened, path);
    if (!info)
        return tl::make_unexpected(info.error());
    return std::unique_ptr<RowReader>(
        new RowReader(std::unique_ptr<State>(new State{std::move(*opened), std::move(*info), path})));
}

const PictureInfo& RowReader::info() const { return m_state->info; }
std::size_t RowReader::bytesPerRow() const
{
    return static_cast<std::size_t>(m_state->info.width) * m_state->opened.spec.nchannels *
           static_cast<std::size_t>(m_state->info.bits / 8);
}

Status RowReader::read(int rows, std::vector<std::uint8_t>& codes)
{
    State& s = *m_state;
    codes.resize(bytesPerRow() * static_cast<std::size_t>(rows));
    const int from = s.opened.spec.y + s.next;
    const bool read = s.opened.input->read_scanlines(0, 0, from, from + rows, 0, 0, s.opened.spec.nchannels,
                                                     s.opened.askedType(), codes.data());
    s.next += rows;
    if (read && !s.opened.input->has_error())
        return {};
    const std::string why = s.opened.input->geterror();
    return fail("damaged or cut short" + (why.empty() ? "" : ": " + why), s.path.string());
}

void RowReader::toLinear(const std::uint8_t* codes, MutableImageView rows) const
{
    const State& s = *m_state;
    const SourceTransform& transform = *s.info.profile.transform;
    for (int y = 0; y < rows.height; ++y) {
        const std::uint8_t* in = codes + static_cast<std::size_t>(y) * bytesPerRow();
        if (s.info.bits == 8)
            transform.convert(in, s.opened.spec.nchannels, rows.width, rows.row(y));
        else if (s.info.bits == 16)
            transform.convert(reinterpret_cast<const std::uint16_t*>(in), s.opened.spec.nchannels, rows.width,
                              rows.row(y));
        else
            transform.convert(reinterpret_cast<const float*>(in), s.opened.spec.nchannels, rows.width, rows.row(y));
    }
}

}  // namespace amber
