#include "store/job_art.h"

#include "store/section_reader.h"

namespace drapery {

namespace {

class ArtReader : SectionReader {
 public:
  ArtReader(const std::string& file, Issues& issues) : SectionReader("art", file, issues) {}

  JobArt read(const Node& node) {
    JobArt art;
    if (!isTable(node, "art")) return art;
    for (const Node::Member& piece : node.members) {
      const std::string at = "art." + shortened(piece.key);
      if (!isTable(piece.value, at)) continue;
      for (const Node::Member& panel : piece.value.members)
        if (isTable(panel.value, at + "." + shortened(panel.key)))
          art[piece.key][panel.key] = panelArt(panel.value, at + "." + shortened(panel.key));
    }
    return art;
  }

 private:
  PanelArt panelArt(const Node& node, const std::string& at) {
    know(node, at, {"picture", "fit", "title", "letters", "runs", "ink"});
    PanelArt art;
    art.picture = text(node, at, "picture", false);
    art.title = text(node, at, "title", false);
    if (const Node* fit = node.find("fit"))
      art.fit = oneOf<PictureFit>(*fit, at + ".fit",
                                  {{"fill", PictureFit::Fill}, {"whole", PictureFit::Whole}});
    if (const Node* letters = node.find("letters"))
      art.letters =
          number(*letters, at + ".letters", PanelArt::kSmallest, PanelArt::kLargest, false);
    if (const Node* runs = node.find("runs"))
      art.runs = oneOf<TitleRuns>(
          *runs, at + ".runs",
          {{"across", TitleRuns::Across}, {"down", TitleRuns::Down}, {"up", TitleRuns::Up}});
    if (const Node* ink = node.find("ink"))
      art.ink = oneOf<TitleInk>(*ink, at + ".ink",
                                {{"dark", TitleInk::Dark}, {"light", TitleInk::Light}});
    return art;
  }
};

}  // namespace

JobArt readArt(const Node& node, const std::string& file, Issues& issues) {
  return ArtReader(file, issues).read(node);
}

}  // namespace drapery
