// Pictures read and written a band of rows at a time, so that a large file never lies in memory as a whole and reading,
// rendering and writing can overlap.
#pragma once

#include "core/image/write.h"

#include <memory>

namespace amber {

class RowReader {
public:
    /// Fails as readPicture does. Only upright pictures without alpha can be read in bands: others give nothing, and no
    /// error.
    static Result<std::unique_ptr<RowReader>> open(const std::filesystem::path& path);
    ~RowReader();

    const PictureInfo& info() const;
    std::size_t bytesPerRow() const;
    /// The next `rows` rows as codes, in order from the top.
    Status read(int rows, std::vector<std::uint8_t>& codes);
    /// Codes of such rows to linear working-space light. Thread safe.
    void toLinear(const std::uint8_t* codes, MutableImageView rows) const;

private:
    struct State;
    explicit RowReader(std::unique_ptr<State> state);
    std::unique_ptr<State> m_state;
};

/// The counterpart of writePicture for bands; gives the same file.
class RowWriter {
public:
    static Result<std::unique_ptr<RowWriter>> open(const std::filesystem::path& target, int width, int height,
                                                   const OutputOptions& options, WrittenFiles* written = nullptr);
    ~RowWriter();

    /// Linear rows, `firstRow` and on of the file, to its codes. Thread safe.
    void toCodes(ImageView rows, int firstRow, std::vector<std::uint8_t>& codes) const;
    /// Writes the next rows.
    Status write(int rows, const std::vector<std::uint8_t>& codes);
    /// Closes the file, carries the metadata of `source` over, reads the header back and puts the file in its place.
    Status finish(const std::filesystem::path& source);

private:
    struct State;
    explicit RowWriter(std::unique_ptr<State> state);
    std::unique_ptr<State> m_state;
};

}  // namespace amber
