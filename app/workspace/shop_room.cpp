#include "app/workspace/shop_room.h"

#include "store/shop_json.h"

namespace drapery {

ShopRoom::ShopRoom(std::string path, QObject* parent) : QObject(parent), path_(std::move(path)) {
  reload();
}

void ShopRoom::reload() {
  if (path_.empty()) return;
  auto read = shopIn(path_);
  issues_.clear();
  if (auto* issues = std::get_if<Issues>(&read))
    issues_ = std::move(*issues);
  else
    shop_ = std::move(std::get<Shop>(read));
}

Issues ShopRoom::change(const std::function<void(Shop&)>& act) {
  reload();
  if (!issues_.empty()) return issues_;
  Shop next = shop_;
  act(next);
  if (!path_.empty())
    if (auto issue = keepShop(next, path_)) return {std::move(*issue)};
  shop_ = std::move(next);
  emit changed();
  return {};
}

Issues ShopRoom::keep(const ShopGauge& gauge) {
  return change([&](Shop& shop) { shop.keep(gauge); });
}

Issues ShopRoom::drop(const std::string& gauge) {
  return change([&](Shop& shop) {
    std::erase_if(shop.gauges, [&](const ShopGauge& each) { return each.name == gauge; });
  });
}

Issues ShopRoom::keep(const ShopPrinter& printer) {
  return change([&](Shop& shop) { shop.keep(printer); });
}

}  // namespace drapery
