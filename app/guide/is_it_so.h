// "Is it so?": sayings of the trade held against the frame in hand, each with what was measured and a source. All of
// them, or those about one kind of step.
#pragma once

#include "app/document/document.h"
#include "core/image/image.h"

#include <QDialog>
#include <functional>

class QComboBox;
class QLabel;
class QVBoxLayout;

namespace amber {

class Task;

/// What the notes are measured on.
struct SayingInput {
    Look look;
    Image frame;                  ///< single pixels
    Image small;                  ///< a true reduction, for what needs a pixel's surroundings
    std::vector<Image> pictures;  ///< single pixels of every frame on the wall
};

struct SayingNote {
    const char* id;
    QStringList steps;  ///< the kinds of steps it is about; none: about looks
    QString claim, source;
    QString (*measure)(const SayingInput&);  ///< in a sentence; any thread
};
const std::vector<SayingNote>& sayingNotes();
bool isAbout(const SayingNote& note, const std::string& stepKind);

/// What was measured, in a sentence. Any thread.
QString measuredWords(const std::string& id, const SayingInput& input);

class IsItSoSheet : public QDialog {
    Q_OBJECT

public:
    IsItSoSheet(Document& document, std::function<std::optional<SayingInput>()> input, QWidget* parent = nullptr);
    /// The notes about a kind of step; all of them for an empty one.
    void show(const std::string& stepKind);
    bool isMeasuring() const;
    int shownCount() const { return static_cast<int>(m_measured.size()); }

private:
    void fill();
    void measure();

    Document& m_document;
    std::function<std::optional<SayingInput>()> m_input;
    Task* m_task;
    QComboBox* m_about;
    QLabel* m_frame;
    QWidget* m_body;
    QVBoxLayout* m_notes;
    std::vector<std::pair<std::string, QLabel*>> m_measured;
    bool m_isStale = false;
};

}  // namespace amber
