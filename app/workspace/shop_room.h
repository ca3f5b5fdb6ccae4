// The shop's gauges and printers for the window: read from their file, and written there at once.
#pragma once

#include <QObject>
#include <functional>
#include <optional>
#include <string>

#include "core/diag/issue.h"
#include "core/printing/shop.h"

namespace drapery {

class ShopRoom : public QObject {
  Q_OBJECT

 public:
  /// An empty path: in no file.
  explicit ShopRoom(std::string path, QObject* parent = nullptr);

  [[nodiscard]] const Shop& shop() const { return shop_; }
  /// What is wrong with the file; nothing is then written to it.
  [[nodiscard]] const Issues& issues() const { return issues_; }

  /// Each takes what is in the file now, whoever wrote it, and writes what follows.
  Issues keep(const ShopGauge& gauge);
  Issues drop(const std::string& gauge);
  Issues keep(const ShopPrinter& printer);

 signals:
  void changed();

 private:
  Issues change(const std::function<void(Shop&)>& act);
  void reload();

  std::string path_;
  Shop shop_;
  Issues issues_;
};

}  // namespace drapery
