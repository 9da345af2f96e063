// What can be held as a reference: the buttons and their questions.
#pragma once

#include <QWidget>
#include <functional>

namespace amber {

class MatchSources : public QWidget {
    Q_OBJECT

public:
    /// `folder`: where files are looked for first.
    MatchSources(std::function<QString()> folder, QWidget* parent);

signals:
    void pictures(const QStringList& paths);
    void frame();
    void pair(const QString& before, const QString& after);
    void table(const QString& path);

private:
    void add(const char* name, const QString& words, const QString& tip, std::function<void()> act);
    std::function<QString()> m_folder;
};

}  // namespace amber
