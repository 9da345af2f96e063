// How files are made for one kind of receiver: format, colour, size, weight, names, what is said in them. Recipes are
// JSON files (docs/formats/recipe.schema.json); four ship, and the user's own are kept across jobs.
#pragma once

#include "core/image/output_profile.h"
#include "core/image/resize.h"
#include "core/image/write.h"

namespace amber {

/// How large a picture becomes; never enlarged.
struct OutputSize {
    enum class Kind { Own, LongEdge, Box, Megapixels, Print };
    Kind kind = Kind::Own;
    double width = 0;   ///< pixels of the long edge or of the box; megapixels; millimetres
    double height = 0;  ///< of the box, pixels; of the print, millimetres; 0: as the ratio gives
    bool operator==(const OutputSize&) const = default;
};

struct Recipe {
    std::string name;
    FileFormat format = FileFormat::Jpeg;
    int quality = 92;
    double weight = 0;  ///< kilobytes (1,000 bytes) that a file must not pass: the quality is sought, up to `quality`
    RgbSpace space = RgbSpace::Srgb;
    std::string profile;  ///< a profile file in the place of the space
    RenderingIntent intent = RenderingIntent::Relative;
    OutputSize size;
    double ratio = 0;  ///< width / height every picture is cut to, inside its own crop; 0: as it is
    double ppi = 0;
    double sharpening = 0;          ///< amount of an output sharpening at the size that is delivered, 0..3
    double floor = 0, ceiling = 1;  ///< where black and white land on the tone axis: the ends of a print
    bool dither = false;
    std::string pattern = "{name}";  ///< {name}, {number}, {number:3}, {light}, {look}, {date}, {recipe}
    std::string subfolder;
    MetadataRule::Keep metadata = MetadataRule::Keep::All;
    std::string use = "screen";  ///< what its checks are for
    std::string unknownFields;   ///< JSON of what a newer version wrote
    bool operator==(const Recipe&) const = default;
};

/// web, full, print, layers.
const std::vector<Recipe>& shippedRecipes();

std::string recipeToText(const Recipe& recipe);
/// Fails with the field, what it may hold and what it held. Fields that are not known are kept.
Result<Recipe> recipeFromText(const std::string& text, const std::string& file);
/// The user's own, by name: under $XDG_CONFIG_HOME/jolly-amber/recipes, else ~/.config. Files that are none are told.
struct OwnRecipes {
    std::vector<Recipe> recipes;
    std::vector<std::string> faults;
};
OwnRecipes ownRecipes();
/// Keeps it among them; a recipe of that name that this program wrote is replaced.
Status keepRecipe(const Recipe& recipe);
Status forgetRecipe(const std::string& name);
/// A shipped or own one by its name, else a file.
Result<Recipe> recipeNamed(const std::string& nameOrFile);

/// The size of a picture of `own` pixels by this recipe: fitted, never enlarged, at least one pixel.
Size sizeBy(const Recipe& recipe, Size own);

/// What is said of a picture of `own` pixels: of a print that has fewer than it asks for, so many that it keeps its
/// size.
double ppiBy(const Recipe& recipe, Size own);

/// What a file is written with. Fails when the recipe's profile cannot be written for.
Result<OutputOptions> outputOptions(const Recipe& recipe, const std::string& author = {},
                                    const std::string& rights = {});

/// What a file's name is made of.
struct NameParts {
    std::string name, light, look, date;  ///< of the source, without ending; date 2026-05-04
    int number = 1;
};
/// The name without its ending, for this picture: a name that every file system takes (no separators, control
/// characters or dots at either end, letters of at most `kNameBytes` bytes), never empty.
std::string nameBy(const Recipe& recipe, const NameParts& parts);
inline constexpr std::size_t kNameBytes = 200;
/// Fails for a field that is not known or not closed.
Status checkPattern(const std::string& pattern);

}  // namespace amber
