# A server of Bell Tag. Nothing but Debian's packages and the npm registry is asked while it is built.
#   docker build -t belltag .
#   docker run -p 4321:4321 --env-file belltag.env belltag
FROM debian:trixie-slim AS build
RUN apt-get update && apt-get install --yes --no-install-recommends nodejs npm ca-certificates
WORKDIR /app
COPY package.json package-lock.json ./
RUN npm ci --no-audit --no-fund
COPY . .
RUN npm run build && npm prune --omit=dev --no-audit --no-fund

FROM debian:trixie-slim
RUN apt-get update \
  && apt-get install --yes --no-install-recommends nodejs ca-certificates tini \
  && rm -rf /var/lib/apt/lists/* \
  && useradd --system --home-dir /app --shell /usr/sbin/nologin belltag
WORKDIR /app
COPY --from=build /app/package.json ./
COPY --from=build /app/node_modules node_modules
COPY --from=build /app/dist dist
COPY --from=build /app/bin bin
COPY --from=build /app/src/db/migrations src/db/migrations
# What is in it belongs to root: whoever breaks into the server changes none of it.
USER belltag
ENV HOST=0.0.0.0 PORT=4321
EXPOSE 4321
HEALTHCHECK --start-period=60s CMD ["node", "-e", "fetch(`http://127.0.0.1:${process.env.PORT}/live`).then((r) => process.exit(r.ok ? 0 : 1), () => process.exit(1))"]
ENTRYPOINT ["tini", "--", "node", "bin/serve.mjs"]
