// What is printed on, as a page to design on: the sheet with its panels as it will come out, and
// for each panel its title and its picture.
#pragma once

#include <QDateTime>
#include <map>
#include <memory>
#include <optional>

#include "app/document/document.h"
#include "app/stage/stage_page.h"
#include "app/table/table_sheet.h"
#include "exchange/art_page.h"
#include "paint/palette.h"

class QGridLayout;
class QLabel;
class QLineEdit;
class QVBoxLayout;

namespace drapery {

class InkButton;

class ArtSheet : public TableSheet {
  Q_OBJECT

 public:
  /// @param trueScale pixels of this screen to the mm; 0 or less where it is not known
  ArtSheet(Document& document, const Palette& palette, std::function<double()> trueScale,
           QWidget* parent);
  ~ArtSheet() override;

  [[nodiscard]] QString heading() const override;
  void renew(const std::string& view) override;
  void keepTyped() override;
  /// None while nothing is printed on.
  [[nodiscard]] const ArtPage* page() const { return page_.get(); }

 signals:
  void pagesWanted(const drapery::StagePage::Pages& pages);
  void pictureWanted(const drapery::StagePage::TakeBook& then);

 protected:
  void resizeEvent(QResizeEvent* event) override;

 private:
  class Preview;
  struct Row {
    std::string panel;
    QLineEdit *title, *letters;
    InkButton *runs, *ink, *picture, *fit, *drop;
    QLabel* name;
  };

  void makeRows();
  void addRow(const std::string& panel, const QString& name, bool hasTitle);
  void addTitle(Row& row, const QString& id);
  void addPicture(Row& row, const QString& id);
  QLineEdit* addEntry(const QString& name, const QString& says, const QString& asking);
  InkButton* addButton(const QString& name, const std::string& panel,
                       const std::function<void(PanelArt&)>& act);
  void fillRows();
  void fitPreview();
  void change(const std::string& panel, const std::function<void(PanelArt&)>& act);
  void keepLetters(const Row& row);
  void choosePicture(const std::string& panel);
  void write(const char* as);
  [[nodiscard]] PanelArt artOf(const std::string& panel) const;
  /// As it was read last, while its file is the same.
  std::variant<ArtPicture, Issue> picture(const std::string& path);
  [[nodiscard]] QString folder() const;
  void writeWords();

  Document& document_;
  const Palette& palette_;
  std::function<double()> trueScale_;
  QWidget* sheet_;
  QVBoxLayout* column_;
  Preview* preview_;
  QGridLayout* grid_;
  QLabel *positions_, *paper_, *wrong_;
  InkButton* size_;
  std::vector<Row> rows_;
  std::string artId_;
  std::shared_ptr<const ArtPage> page_;
  struct Kept {
    QDateTime written;
    std::variant<ArtPicture, Issue> picture;
  };
  std::map<std::string, Kept> pictures_;
  std::optional<Issue> refused_;  // of what was typed last
  bool isTrueSize_ = false;
};

}  // namespace drapery
