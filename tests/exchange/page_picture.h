// A page as another program paints it, and where its lines lie.
#pragma once

#include <gtest/gtest.h>

#include <QImage>
#include <QImageReader>
#include <filesystem>
#include <vector>

#include "tests/support/command.h"

namespace drapery::test {

class PagePicture {
 public:
  PagePicture() = default;
  /// By poppler; of a fine one only what lies from one height to another, mm.
  static PagePicture ofPdf(const std::string& pdf, int page, int dpi, double top = 0.0,
                           double bottom = 0.0) {
    const TemporaryFolder folder;
    const std::string number = std::to_string(page), stem = folder.path() + "/page";
    const int first = static_cast<int>(top * dpi / 25.4),
              last = static_cast<int>(bottom * dpi / 25.4);
    std::vector<std::string> command{"pdftoppm", "-gray", "-r",   std::to_string(dpi), "-f",
                                     number,     "-l",    number, "-singlefile"};
    if (last > first)
      for (const std::string& word : {std::string("-y"), std::to_string(first), std::string("-H"),
                                      std::to_string(last - first)})
        command.push_back(word);
    command.insert(command.end(), {pdf, stem});
    const Finished done = run(command);
    EXPECT_EQ(done.code, 0) << done.err;
    QImageReader::setAllocationLimit(600);  // MB
    PagePicture picture(QImage(QString::fromStdString(stem + ".pgm")), dpi);
    picture.top_ = first;
    return picture;
  }
  /// By librsvg.
  static PagePicture ofSvg(const std::string& svg, int dpi) {
    const TemporaryFolder folder;
    const std::string png = folder.path() + "/page.png", fine = std::to_string(dpi);
    const Finished done = run({"rsvg-convert", "--dpi-x", fine, "--dpi-y", fine,
                               "--background-color", "white", "-o", png, svg});
    EXPECT_EQ(done.code, 0) << done.err;
    return {QImage(QString::fromStdString(png)).convertToFormat(QImage::Format_Grayscale8), dpi};
  }

  [[nodiscard]] double perMm() const { return dpi_ / 25.4; }
  [[nodiscard]] QSize size() const { return image_.size(); }
  [[nodiscard]] bool isDark(int x, int y) const {
    return image_.valid(x, y - top_) && qGray(image_.pixel(x, y - top_)) < 128;
  }
  /// Middles of the dark runs of a row, mm from the page's left edge.
  [[nodiscard]] std::vector<double> across(double y, double from, double to) const {
    return runs(from, to, [&](int x) { return isDark(x, pixel(y)); });
  }
  /// The same of a column, from its top.
  [[nodiscard]] std::vector<double> down(double x, double from, double to) const {
    return runs(from, to, [&](int y) { return isDark(pixel(x), y); });
  }

 private:
  PagePicture(QImage image, int dpi) : image_(std::move(image)), dpi_(dpi) {}
  [[nodiscard]] int pixel(double mm) const { return static_cast<int>(mm * perMm()); }
  template <typename IsDark>
  [[nodiscard]] std::vector<double> runs(double from, double to, IsDark isDark) const {
    std::vector<double> middles;
    int begin = -1;
    for (int at = pixel(from); at <= pixel(to); ++at) {
      const bool dark = isDark(at);
      if (dark && begin < 0) begin = at;
      if (!dark && begin >= 0) {
        middles.push_back((begin + at) / 2.0 / perMm());
        begin = -1;
      }
    }
    return middles;
  }

  QImage image_;
  int dpi_ = 254;
  int top_ = 0;  // the first row that was painted
};

}  // namespace drapery::test
