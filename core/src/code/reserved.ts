/** Words of C, C++ and Python. */
const keywords = `alignas alignof and as asm assert async auto await bitand bitor bool break byte case catch char class compl concept
  const constexpr continue decltype def default define del delete do double elif else enum except explicit export extern false final
  finally float for from friend global goto if import in inline int is lambda long main mutable namespace new noexcept none nonlocal
  not nullptr object operator or override pass private protected public raise register requires return short signed sizeof static
  struct super switch template this throw true try type typedef typeid typename union unsigned using virtual void volatile while with
  xor yield`;

/** Functions of C's library, as their headers declare them: stdlib, string, math, stdio, ctype, time. */
const libraryOfC = `abort abs acos asin atan atan2 atexit atof atoi atol bsearch calloc cbrt ceil clearerr clock copysign cos cosh
  ctime difftime div dtostre dtostrf erf erfc exit exp exp2 expm1 fabs fclose fdevopen fdim feof ferror fflush ffs fgetc fgets floor
  fma fmax fmin fmod fopen fprintf fputc fputs fread free frexp fscanf fwrite gamma getc getchar getenv gets gmtime hypot index
  isalnum isalpha isascii isblank iscntrl isdigit isfinite isgraph isinf islower isnan isprint ispunct isspace isupper isxdigit itoa
  j0 j1 jn labs ldexp ldiv lgamma localtime log log10 log1p log2 logb lrint lround ltoa malloc memccpy memchr memcmp memcpy memmem
  memmove memrchr memset mktime modf nan nearbyint pause perror pow printf putc putchar puts qsort raise rand random realloc remainder
  remove rename rewind rindex rint round scalbn scanf setbuf signal signbit significand sin sinh snprintf sprintf sqrt square srand
  srandom sscanf stderr stdin stdout strcasecmp strcat strchr strcmp strcpy strcspn strdup strlcat strlcpy strlen strlwr strncat
  strncmp strncpy strnlen strpbrk strrchr strrev strsep strspn strstr strtod strtok strtol strtoul strupr swab system tan tanh tgamma
  time timezone toascii tolower toupper trunc ultoa ungetc utoa vfprintf vprintf vsprintf y0 y1 yn`;

/** What boards bring, and functions of Python that programs may use. */
const ofBoards = `analog analogread analogreference analogwrite attachinterrupt bit bitclear bitread bitset bitwrite boolean constrain
  degrees delay delaymicroseconds detachinterrupt digital digitalread digitalwrite eeprom gc gpio high highbyte init input interrupts
  isr led low lowbyte machine makeword map math max micros millis min noInterrupts notone os pin pinmode pulsein radians randomseed read
  sei serial serialevent set shift shiftin shiftout sleep sq string sys timer tone uint8 wait wdt word write
  all any bytes dict id iter len list next number open output print range setup loop str sum tuple zip`;

/** Names of a program's own. */
const own = `told napfor napped idle network socket passwords station joinat broker greetat senduntil waiting waits publish publishcount publishreading issending textof
  packetof greet sendall sendlength sendtext askat asktime keepjoined topic message mostwaiting times sleepfor store networkname networkpassword
  brokeraddress brokeruser brokerpassword hoursfromutc ntptime packet wifi wificlient wifiudp preferences gettimeofday iramattr rtcdataattr sayflash say came camefirst camenext linesheard waithalf saynumber ownstart ownpass ownevent angleat bus bustakes busstep echotime fcntl pi picofarads readfrommem shareat timepulseus touchcounts touchpad
  wire wordat
  lookwhethertostay answer anyread asleep awakesince before began below change changed check checkof chip clockstart config countsat daystart directions inputs outputs porta portb portc portd reference saytext switchpin tccr dim dog
  edges event feedsensors found gone go goround hear heard heardlength hour i ishigh iswhole j kept keptat keptplace layout latest letter level lessone
  lightness lightsleep line linein lines loadkept makepass makeround minute more now of one passing place places played rate
  readings root rounds same savekept sayat sayevery sayreadings saytime second select start switch tell tellcount tellevents
  tellreading testall ticks to turn turns values wakesat way`;

/** Words, in small letters, that nothing of the maker's may be called: they mean something already. */
export const reserved: ReadonlySet<string> = new Set(
  [keywords, libraryOfC, ofBoards, own].flatMap((words) => words.toLowerCase().split(/\s+/)),
);
