#include "app/places/handover/recipe_form.h"

#include "app/settings/own_settings.h"
#include "app/theme/theme.h"
#include "app/words/words.h"

#include <QtWidgets>

namespace amber {
namespace {

constexpr FileFormat kFormats[] = {FileFormat::Jpeg,   FileFormat::Png8, FileFormat::Png16, FileFormat::Tiff8,
                                   FileFormat::Tiff16, FileFormat::Webp, FileFormat::Exr,   FileFormat::Exr32};
constexpr RgbSpace kSpaces[] = {RgbSpace::Srgb, RgbSpace::DisplayP3, RgbSpace::OpRgb, RgbSpace::ProPhoto,
                                RgbSpace::Rec2020};
constexpr RenderingIntent kIntents[] = {RenderingIntent::Relative, RenderingIntent::Perceptual,
                                        RenderingIntent::Saturation, RenderingIntent::Absolute};
constexpr MetadataRule::Keep kKept[] = {MetadataRule::Keep::All, MetadataRule::Keep::WithoutPlace,
                                        MetadataRule::Keep::None};
const char* const kUses[] = {"screen", "print", "archive"};

QStringList formatNames()
{
    return {RecipeForm::tr("JPEG"),
            RecipeForm::tr("PNG, 8 bit"),
            RecipeForm::tr("PNG, 16 bit"),
            RecipeForm::tr("TIFF, 8 bit"),
            RecipeForm::tr("TIFF, 16 bit"),
            RecipeForm::tr("WebP"),
            RecipeForm::tr("EXR, linear half floats"),
            RecipeForm::tr("EXR, linear floats")};
}

/// Where `value` stands in a list, or the first place.
template <class List, class Value>
int indexIn(const List& list, const Value& value)
{
    const auto found = std::find(std::begin(list), std::end(list), value);
    return found == std::end(list) ? 0 : static_cast<int>(found - std::begin(list));
}

int shapeIndex(double ratio)
{
    const auto all = shapes();
    for (std::size_t i = 0; i < all.size(); ++i)
        if (std::abs(all[i].ratio - ratio) < 1e-6)
            return static_cast<int>(i);
    return -1;
}

QString numberWords(double value) { return QLocale().toString(value, 'f', QLocale::FloatingPointShortest); }

/// Millimetres in what prints are told in.
double printUnit() { return OwnSettings::instance().get().inches ? 25.4 : 1; }

QString sizeWords(const Recipe& r)
{
    const OutputSize& s = r.size;
    switch (s.kind) {
    case OutputSize::Kind::Own:
        return RecipeForm::tr("own size");
    case OutputSize::Kind::LongEdge:
        return RecipeForm::tr("%1 px").arg(numberWords(s.width));
    case OutputSize::Kind::Box:
        return RecipeForm::tr("within %1 × %2 px").arg(numberWords(s.width), numberWords(s.height));
    case OutputSize::Kind::Megapixels:
        return RecipeForm::tr("%1 megapixels").arg(numberWords(s.width));
    default:
        const QString of = OwnSettings::instance().get().inches ? RecipeForm::tr("in") : RecipeForm::tr("mm");
        const QString width = numberWords(s.width / printUnit());
        return s.height > 0 ? RecipeForm::tr("within %1 × %2 %3").arg(width, numberWords(s.height / printUnit()), of)
                            : RecipeForm::tr("%1 %2").arg(width, of);
    }
}

}  // namespace

QString recipeWords(const Recipe& r)
{
    QString words = formatNames()[indexIn(kFormats, r.format)];
    if (hasQuality(r.format))
        words += r.weight > 0 ? RecipeForm::tr(" within %1 kB").arg(numberWords(r.weight))
                              : QStringLiteral(" %1").arg(r.quality);
    words += QStringLiteral(" · ") +
             (r.profile.empty() ? text(std::string(titleOf(r.space))) : QFileInfo(text(r.profile)).completeBaseName());
    words += QStringLiteral(" · ") + sizeWords(r);
    if (r.ppi > 0)
        words += RecipeForm::tr(" · %1 ppi").arg(numberWords(r.ppi));
    return words;
}

RecipeForm::RecipeForm(QWidget* parent) : QWidget(parent), m_grid(new QGridLayout(this)), m_fault(new QLabel(this))
{
    setObjectName("recipeForm");
    m_grid->setContentsMargins(0, 0, 8, 0);
    m_grid->setVerticalSpacing(7);
    m_grid->setHorizontalSpacing(12);
    m_grid->setColumnStretch(1, 1);
    m_grid->setColumnMinimumWidth(0, kLabels);
    m_isShowing = true;
    addFile(), addSize(), addFinish(), addNames();
    m_isShowing = false;
    m_fault->setObjectName("recipeFault");
    m_fault->setWordWrap(true);
    m_fault->setProperty("strong", true);
    m_grid->addWidget(m_fault, m_grid->rowCount(), 0, 1, 2);
    m_grid->setRowStretch(m_grid->rowCount(), 1);
    refresh();
}

void RecipeForm::addRow(const QString& label, QWidget* control, const char* name, const QString& tip)
{
    auto* words = new QLabel(label, this);
    words->setProperty("quiet", true);
    words->setBuddy(control);
    control->setObjectName(name);
    control->setAccessibleName(label);
    control->setToolTip(tip);
    const int row = m_grid->rowCount();
    m_grid->addWidget(words, row, 0);
    m_grid->addWidget(control, row, 1);
    const auto told = [this] {
        if (m_isShowing)
            return;
        refresh();
        emit edited();
    };
    if (auto* choice = qobject_cast<QComboBox*>(control))
        connect(choice, &QComboBox::currentIndexChanged, this, told);
    else if (auto* spin = qobject_cast<QSpinBox*>(control))
        connect(spin, &QSpinBox::valueChanged, this, told);
    else if (auto* number = qobject_cast<QDoubleSpinBox*>(control))
        connect(number, &QDoubleSpinBox::valueChanged, this, told);
    else if (auto* line = qobject_cast<QLineEdit*>(control))
        connect(line, &QLineEdit::textChanged, this, told);
    else if (auto* check = qobject_cast<QCheckBox*>(control))
        connect(check, &QCheckBox::toggled, this, told);
}

QSpinBox* RecipeForm::whole(int low, int high, const QString& none, const QString& suffix)
{
    auto* box = new QSpinBox(this);
    box->setRange(low, high);
    box->setSpecialValueText(none);
    box->setSuffix(suffix);
    box->setButtonSymbols(QAbstractSpinBox::NoButtons);
    return box;
}

QDoubleSpinBox* RecipeForm::number(double low, double high, int decimals, const QString& none, const QString& suffix)
{
    auto* box = new QDoubleSpinBox(this);
    box->setDecimals(decimals);
    box->setRange(low, high);
    box->setSpecialValueText(none);
    box->setSuffix(suffix);
    box->setButtonSymbols(QAbstractSpinBox::NoButtons);
    return box;
}

void RecipeForm::addFile()
{
    addRow(tr("format"), m_format = new QComboBox(this), "exportFormat", tr("The kind of file and its depth"));
    m_format->addItems(formatNames());
    addRow(tr("quality"), m_quality = whole(1, 100, {}, {}), "exportQuality", tr("Quality of JPEG and WebP, 1 to 100"));
    addRow(tr("weight"), m_weight = whole(0, 100000, tr("no limit"), tr(" kB")), "exportWeight",
           tr("No file is heavier: the quality is sought, up to the one above"));
    addRow(tr("colour"), m_space = new QComboBox(this), "exportSpace", tr("The profile is always embedded"));
    for (RgbSpace space : kSpaces)
        m_space->addItem(text(std::string(titleOf(space))));
    m_space->addItem(tr("profile file…"));
    addRow(tr("intent"), m_intent = new QComboBox(this), "exportIntent",
           tr("How colours outside the profile come into it"));
    m_intent->addItems({tr("relative"), tr("perceptual"), tr("saturation"), tr("absolute")});
}

void RecipeForm::addSize()
{
    addRow(tr("size"), m_kind = new QComboBox(this), "exportSize", tr("Nothing is ever enlarged"));
    m_kind->addItems({tr("own size"), tr("long edge"), tr("within a box"), tr("megapixels"), tr("print")});
    addRow(tr("long edge"), m_edge = whole(0, 30000, tr("as it is"), tr(" px")), "exportEdge",
           tr("Longer side in pixels"));
    addRow(tr("width"), m_width = number(0, 30000, 1, tr("free"), {}), "exportWidth", tr("The most it may be wide"));
    addRow(tr("height"), m_height = number(0, 30000, 1, tr("free"), {}), "exportHeight", tr("The most it may be high"));
    addRow(tr("resolution"), m_ppi = whole(0, 4800, tr("not said"), tr(" ppi")), "exportPpi",
           tr("Pixels per inch, said in the file; the size of a print counts with it"));
    addRow(tr("shape"), m_shape = new QComboBox(this), "exportShape",
           tr("Every picture cut to this ratio of width to height, inside its own crop; the pictures of the job stay "
              "as they are"));
    for (const Shape& shape : shapes())
        m_shape->addItem(shape.words);
}

void RecipeForm::addFinish()
{
    addRow(tr("sharpening"), m_sharpening = number(0, 3, 2, tr("none"), {}), "exportSharpening",
           tr("Output sharpening at the size that is delivered"));
    m_sharpening->setSingleStep(0.1);
    addRow(tr("black lands at"), m_floor = number(0, 0.3, 3, {}, {}), "exportFloor",
           tr("Lightness of black on a print: 0 is as it is"));
    addRow(tr("white lands at"), m_ceiling = number(0.7, 1, 3, {}, {}), "exportCeiling",
           tr("Lightness of white on a print: 1 is bare paper"));
    m_floor->setSingleStep(0.005), m_ceiling->setSingleStep(0.005);
    addRow(tr("dither"), m_dither = new QCheckBox(tr("noise of a code before 8 bits"), this), "exportDither",
           tr("Smooth ramps do not band"));
}

void RecipeForm::addNames()
{
    addRow(tr("name"), m_pattern = new QLineEdit(this), "exportPattern",
           tr("{name}, {number:3}, {light}, {look}, {date}, {recipe}"));
    addRow(tr("subfolder"), m_subfolder = new QLineEdit(this), "exportSubfolder",
           tr("Files of this recipe go into it"));
    m_subfolder->setPlaceholderText(tr("none"));
    addRow(tr("metadata"), m_metadata = new QComboBox(this), "exportMetadata",
           tr("What of the source's goes along; author and rights are said in any case"));
    m_metadata->addItems({tr("all"), tr("without place and serial numbers"), tr("none")});
    addRow(tr("checked for"), m_use = new QComboBox(this), "exportUse", tr("The limits of the checks before"));
    m_use->addItems({tr("screen"), tr("print"), tr("archive")});
    for (QComboBox* box : {m_format, m_space, m_intent, m_kind, m_shape, m_metadata, m_use})
        box->setMinimumContentsLength(8), box->setSizeAdjustPolicy(QComboBox::AdjustToMinimumContentsLengthWithIcon);
    connect(m_space, &QComboBox::activated, this, [this](int index) {
        if (index == static_cast<int>(std::size(kSpaces)))
            chooseProfile();
    });
}

void RecipeForm::chooseProfile()
{
    const QString file = QFileDialog::getOpenFileName(this, tr("Profile of the receiver"), text(m_recipe.profile),
                                                      tr("Profiles (*.icc *.icm)"));
    if (!file.isEmpty())
        m_recipe.profile = file.toStdString();
    else if (m_recipe.profile.empty())
        m_space->setCurrentIndex(0);
    refresh();
    emit edited();
}

void RecipeForm::show(const Recipe& r, bool isEditable)
{
    m_isShowing = true;
    m_recipe = r, m_isEditable = isEditable;
    m_format->setCurrentIndex(indexIn(kFormats, r.format));
    m_quality->setValue(r.quality);
    m_weight->setValue(static_cast<int>(std::lround(r.weight)));
    m_space->setCurrentIndex(r.profile.empty() ? indexIn(kSpaces, r.space) : static_cast<int>(std::size(kSpaces)));
    m_intent->setCurrentIndex(indexIn(kIntents, r.intent));
    m_kind->setCurrentIndex(static_cast<int>(r.size.kind));
    m_edge->setValue(r.size.kind == OutputSize::Kind::LongEdge ? static_cast<int>(std::lround(r.size.width)) : 0);
    setFineness(r.size.kind);
    const double unit = r.size.kind == OutputSize::Kind::Print ? printUnit() : 1;
    m_width->setValue(r.size.width / unit), m_height->setValue(r.size.height / unit);
    m_ppi->setValue(static_cast<int>(std::lround(r.ppi)));
    const int shape = shapeIndex(r.ratio);
    m_shape->setCurrentIndex(std::max(0, shape));
    m_sharpening->setValue(r.sharpening), m_floor->setValue(r.floor), m_ceiling->setValue(r.ceiling);
    m_dither->setChecked(r.dither);
    m_pattern->setText(text(r.pattern)), m_subfolder->setText(text(r.subfolder));
    m_metadata->setCurrentIndex(indexIn(kKept, r.metadata));
    m_use->setCurrentIndex(indexIn(kUses, r.use));
    m_isShowing = false;
    refresh();
}

void RecipeForm::setFineness(OutputSize::Kind kind)
{
    const bool isFine = kind == OutputSize::Kind::Print && OwnSettings::instance().get().inches;
    m_width->setDecimals(isFine ? 2 : 1), m_height->setDecimals(isFine ? 2 : 1);
}

double RecipeForm::told(const QDoubleSpinBox& box, double before, const Recipe& r) const
{
    const double unit = r.size.kind == OutputSize::Kind::Print ? printUnit() : 1;
    // What the field rounds is not changed by being shown.
    const bool isAsShown = m_recipe.size.kind == r.size.kind &&
                           std::abs(box.value() - before / unit) <= 0.51 * std::pow(10, -box.decimals());
    return isAsShown ? before : box.value() * unit;
}

Recipe RecipeForm::recipe() const
{
    Recipe r = m_recipe;
    const auto at = [](const QComboBox* box) { return std::max(0, box->currentIndex()); };
    r.format = kFormats[at(m_format)];
    r.quality = m_quality->value(), r.weight = m_weight->value();
    const bool hasProfile = at(m_space) == static_cast<int>(std::size(kSpaces));
    if (!hasProfile)
        r.space = kSpaces[at(m_space)], r.profile.clear();
    r.intent = kIntents[at(m_intent)];
    r.size.kind = static_cast<OutputSize::Kind>(at(m_kind));
    // An edge that is typed says what is meant.
    if (r.size.kind == OutputSize::Kind::Own && m_edge->value() > 0)
        r.size.kind = OutputSize::Kind::LongEdge;
    if (r.size.kind == OutputSize::Kind::LongEdge)
        r.size =
            m_edge->value() > 0 ? OutputSize{OutputSize::Kind::LongEdge, double(m_edge->value()), 0} : OutputSize{};
    else if (r.size.kind == OutputSize::Kind::Own)
        r.size = {};
    else
        r.size.width = told(*m_width, m_recipe.size.width, r), r.size.height = told(*m_height, m_recipe.size.height, r);
    r.ppi = m_ppi->value();
    if (const auto all = shapes(); shapeIndex(r.ratio) >= 0 || at(m_shape) > 0)
        r.ratio = all[static_cast<std::size_t>(at(m_shape))].ratio;
    r.sharpening = m_sharpening->value(), r.floor = m_floor->value(), r.ceiling = m_ceiling->value();
    r.dither = m_dither->isChecked();
    r.pattern = m_pattern->text().trimmed().toStdString(), r.subfolder = m_subfolder->text().trimmed().toStdString();
    r.metadata = kKept[at(m_metadata)], r.use = kUses[at(m_use)];
    return r;
}

void RecipeForm::refresh()
{
    const auto set = [this](QWidget* control, bool counts) { control->setEnabled(m_isEditable && counts); };
    const auto lay = [this](QWidget* control, bool isSeen) {
        control->setVisible(isSeen);
        for (QObject* child : children())
            if (auto* label = qobject_cast<QLabel*>(child); label && label->buddy() == control)
                label->setVisible(isSeen);
    };
    const bool isLossy = hasQuality(kFormats[std::max(0, m_format->currentIndex())]),
               isProfile = m_space->currentIndex() == static_cast<int>(std::size(kSpaces));
    const auto kind = static_cast<OutputSize::Kind>(std::max(0, m_kind->currentIndex()));
    using Kind = OutputSize::Kind;
    for (QWidget* control : std::initializer_list<QWidget*>{m_format, m_space, m_kind, m_ppi, m_shape, m_sharpening,
                                                            m_floor, m_ceiling, m_dither, m_pattern, m_subfolder,
                                                            m_metadata, m_use, m_edge, m_width, m_height, m_intent})
        set(control, true);
    set(m_quality, isLossy), set(m_weight, isLossy);
    lay(m_intent, isProfile);
    lay(m_edge, kind == Kind::LongEdge || kind == Kind::Own);
    lay(m_width, kind == Kind::Box || kind == Kind::Megapixels || kind == Kind::Print);
    lay(m_height, kind == Kind::Box || kind == Kind::Print);
    const QString print = OwnSettings::instance().get().inches ? tr(" in") : tr(" mm");
    const QString unit = kind == Kind::Print ? print : kind == Kind::Megapixels ? tr(" MP") : tr(" px");
    m_width->setSuffix(unit), m_height->setSuffix(unit);
    setFineness(kind);
    if (isProfile)
        m_space->setItemText(static_cast<int>(std::size(kSpaces)),
                             m_recipe.profile.empty() ? tr("profile file…")
                                                      : QFileInfo(text(m_recipe.profile)).completeBaseName());
    const Status pattern = checkPattern(m_pattern->text().toStdString());
    m_fault->setText(pattern ? QString() : text(pattern.error().message()));
    m_fault->setVisible(!pattern);
}

}  // namespace amber
