import { createRequire } from 'node:module';
import type { Tagged } from './diagrams/drawn';
import { takeApart } from './flat';

/** Silhouettes from game-icons (CC BY 3.0): those that suit a school, by topic. */

const require = createRequire(import.meta.url);
type IconSet = {
  icons: Record<string, { body: string; width?: number; height?: number }>;
  width?: number;
  height?: number;
};

const CHOSEN: Record<string, string> = {
  'animals of the sea':
    'angler-fish circling-fish clownfish crab dolphin double-fish eel flatfish giant-squid jellyfish manta-ray mussel nautilus-shell octopus oyster oyster-pearl porcupinefish salmon scallop school-of-fish sea-star sea-turtle sea-urchin seahorse shrimp sperm-whale spiral-shell squid triple-shells tropical-fish turtle whale-tail walrus-head',
  birds:
    'barn-owl bird-twitter canadian-goose chicken dodo dove duck eating-pelican egyptian-bird falcon-moon finch flamingo goose heron hummingbird ibis kiwi-bird nest-birds nest-eggs ostrich owl peace-dove penguin raven rooster seagull shoebill-stork sparrow swallow swan toucan vulture feather two-feathers',
  animals:
    'anteater ant armadillo axolotl badger bat bear-head beaver bee bison boar buffalo-head bull butterfly camel capybara cat caterpillar chameleon-glyph cow cricket deer donkey dragonfly earth-worm elephant fly fox frog gecko goat gorilla hedgehog jumping-dog kangaroo koala ladybug lion long-legged-spider mole monkey mouse panda pangolin pig polar-bear praying-mantis rabbit ram-profile rat rattlesnake salamander scarab-beetle scorpion seated-mouse sheep sitting-dog sloth snail squirrel tadpole tapir tiger tortoise wolf-howl hollow-cat paw-print deer-track',
  'dinosaurs and fossils':
    'ammonite ammonite-fossil archaeopteryx-fossil dimetrodon dinosaur-bones dinosaur-egg dinosaur-rex diplodocus fossil helicoprion mammoth parasaurolophus plesiosaurus pterodactylus saber-tooth sauropod-skeleton stegosaurus-scales triceratops-head trilobite velociraptor',
  plants:
    'acorn bamboo baobab beech birch-trees bonsai-tree bud cactus chestnut-leaf clover cotton-flower daisy dandelion-flower fern flower-pot flower-twirl flowers forest fruit-tree ginkgo-leaf grass high-grass jasmine lily-pads linden-leaf lotus lotus-flower maple-leaf monstera-leaf mushroom mushrooms oak oak-leaf palm-tree pine-tree plant-roots plant-seed poppy reed rose seedling shamrock spoted-flower sprout sunflower three-leaves tree-branch tree-roots trefoil-lily vine-leaf wheat willow-tree',
  food: 'apple-core artichoke asparagus aubergine avocado banana beet bell-pepper bread broccoli cabbage cake-slice carrot cheese-wedge cherry chili-pepper corn croissant cupcake cut-lemon elderberry french-fries garlic grapes hamburger honey-jar ice-cream-cone kiwi-fruit lemon orange peach peanut pear peas pineapple pizza-slice plum potato pretzel pumpkin raspberry shiny-apple strawberry tomato watermelon',
  body: 'arm brain eyeball footprint hand heart-organ human-ear kidneys leg liver lungs nose-side open-palm ribcage skeleton-inside stomach tongue tooth dna1 dna2 person family-tree',
  'earth and sky':
    'africa australia brazil big-wave cloud-ring crescent-staff earth-africa-europe earth-america earth-asia-oceania eclipse falling-leaf fluffy-cloud france galaxy globe heavy-rain high-tide iceberg island italia japan lightning-storm low-tide moon mountains mountaintop night-sky oasis planet-core portugal raining ringed-planet river rock sea-cliff snowflake-1 snowflake-2 solar-system south-africa south-america south-korea sri-lanka stalagtite sun sunrise tornado uluru volcano water-drop waterfall waves whirlwind world desert drop wave-crest north-star-shuriken',
  history:
    'amphora ancient-columns ancient-ruins aqueduct axe-in-stump castle castle-ruins cave-entrance clay-brick coliseum column-vase dolmen drakkar easter-egg egyptian-pyramids egyptian-sphinx egyptian-temple egyptian-urns eye-of-horus galley greek-sphinx greek-temple hieroglyph-y hill-fort horseshoe hourglass jug laurels mayan-pyramid menhir nefertiti obelisk old-wagon painted-pottery papyrus pharoah quill-ink roman-toga sarcophagus scroll-unfurled ship-wreck stone-axe stone-tablet stone-wheel tied-scroll treasure-map trireme trojan-horse viking-church viking-longhouse wax-tablet',
  places:
    'arch-bridge barn beehive bird-house block-house bridge cable-stayed-bridge camping-tent church dam family-house factory farm-tractor forest-camp greenhouse great-pyramid house igloo lighthouse modern-city pagoda park-bench pisa-tower round-silo sand-castle stone-bridge stone-tower sydney-opera-house tipi tower-bridge treehouse village water-mill watchtower well wind-turbine windmill wooden-pier suspension-bridge space-needle',
  travel:
    'air-balloon airplane ambulance anchor bus camel-head canoe caravan cargo-ship city-car compass cycling dutch-bike fishing-boat hang-glider helicopter journey kick-scooter life-buoy paddle-steamer paper-boat paper-plane parachute race-car rocket sailboat satellite school-bag ship-wheel skateboard space-shuttle steam-locomotive submarine tow-truck truck unicycle zeppelin jeep small-fishing-sailboat',
  science:
    'atom binoculars erlenmeyer gears light-bulb magnet magnifying-glass mars-curiosity microscope molecule prism radar-dish round-bottom-flask telescope test-tubes thermometer-scale weight-scale food-chain habitat-dome observatory recycle watering-can plant-watering solar-power',
  'music and play':
    'accordion banjo bassoon beach-ball bagpipes carousel chess-knight chess-queen clarinet drum f-clef flute french-horn g-clef grand-piano guitar harp kite lyre maracas musical-notes paint-brush palette pan-flute paper-crane puzzle jigsaw-piece saxophone soccer-ball spinning-top tambourine theater trumpet violin xylophone tennis-ball basketball-ball',
  things:
    'alarm-clock apple-seeds backpack balloons basket book-cover bookmark candle-light chat-bubble crown diploma door envelope fountain-pen gift-of-knowledge graduate-cap hearts key lantern mailbox megaphone notebook open-book padlock pencil pencil-ruler present quill ringing-bell scissors shopping-bag speaker spectacles stopwatch teapot thought-bubble trophy-cup umbrella wooden-sign sport-medal plain-circle round-star flat-star',
};

export function silhouettes(): Tagged[] {
  const set = require('@iconify-json/game-icons/icons.json') as IconSet;
  const seen = new Set<string>();
  return Object.entries(CHOSEN).flatMap(([about, names]) =>
    names.split(' ').flatMap((id): Tagged[] => {
      const icon = set.icons[id];
      if (!icon || seen.has(id)) return [];
      seen.add(id);
      const paths = takeApart(icon.body.replaceAll('currentColor', '#2a2820'));
      if (!paths) return [];
      const name = id
        .replace(/-?\d+$/, (n) => ` ${n.replace('-', '')}`)
        .replaceAll('-', ' ')
        .trim();
      return [
        {
          id: `silhouette/${id}`,
          name: `${name}, silhouette`,
          tags: [
            'silhouette',
            ...name.split(' '),
            ...about.split(' ').filter((word) => !['and', 'of', 'the'].includes(word)),
          ],
          group: 'silhouettes',
          width: icon.width ?? set.width ?? 512,
          height: icon.height ?? set.height ?? 512,
          paths,
          targets: [],
          licence: 'CC BY 3.0',
          credit: 'Lorc, Delapouite and others, game-icons.net',
        },
      ];
    }),
  );
}
