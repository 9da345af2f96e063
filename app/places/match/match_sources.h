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

    /// Asks for a picture before and after a treatment; none when it was given up.
    QStringList askPair();

signals:
    void pictures(const QStringList& paths);
    void frame();
    void pair(const QStringList& beforeAndAfter);
    void table(const QString& path);

private:
    void add(const char* name, const QString& words, const QString& tip, std::function<void()> act);
    QString kinds() const;
    std::function<QString()> m_folder;
};

}  // namespace amber
