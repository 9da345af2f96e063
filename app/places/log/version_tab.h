// Two versions of a look held against each other: in words, in numbers, and on the frame in hand.
#pragma once

#include "app/document/document.h"
#include "app/render/proxy_store.h"
#include "core/log/replay.h"

#include <QWidget>

class QComboBox;
class QLabel;
class QPlainTextEdit;

namespace amber {

class PictureView;

class VersionTab : public QWidget {
    Q_OBJECT

public:
    VersionTab(Document& document, ProxyStore& proxies, QWidget* parent = nullptr);
    /// A look's version after a gesture against the one that counts now.
    void show(LookId look, std::int64_t gesture);
    bool isMeasuring() const { return m_isMeasuring; }

protected:
    void showEvent(QShowEvent* event) override;

private:
    void nameParts();
    void connectAll();
    void showNothing(const QString& words);
    void fill();
    void fillVersions();
    void measure();
    void put(const VersionDifference& difference, const QImage& before, const QImage& after);

    Document& m_document;
    ProxyStore& m_proxies;
    QComboBox *m_look, *m_from, *m_to;
    PictureView *m_before, *m_after;
    QLabel* m_numbers;
    QPlainTextEdit* m_words;
    RenderSlot* m_slot;
    std::map<LookId, std::vector<JournalEntry>> m_entries;
    std::uint64_t m_number = 0;
    bool m_isMeasuring = false, m_isStale = true;
};

}  // namespace amber
